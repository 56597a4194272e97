import { quantityText, type UnitSystem } from '../../base/index.js';
import type { Item } from '../../equipment/index.js';
import { codeValues, packIdFor, packNames } from '../../rules/index.js';
import {
  type OneLineLayout,
  oneLinePlan,
  type OneLinePlan,
  type OneLineTag,
  oneLineTags,
  safetyOf,
  type WiringSafety,
} from '../../wiring/index.js';
import { inWordsOf, placeLocale } from '../../present/index.js';
import type { CheckedPlacement } from '../../placement/details.js';
import type { CompanySheet } from '../company/company-sheet.schema.js';
import type { DesignStudy } from '../study/design-study.js';
import { judgedPlacement } from './judged-placement.js';

/** Lays a one-line drawing out; whoever composes papers brings the library. */
export type LayOut = (plan: OneLinePlan) => Promise<OneLineLayout>;

/** What every section of a permit packet draws from, worked out once. */
export interface PacketOf {
  readonly study: DesignStudy;
  readonly items: readonly Item[];
  readonly company: CompanySheet;
  readonly jobName: string;
  /** The day it is made, "2026-11-28". */
  readonly day: string;
  readonly sheet: OneLinePlan;
  readonly tags: readonly OneLineTag[];
  readonly safety: WiringSafety;
  readonly placement: CheckedPlacement;
  readonly units: UnitSystem;
  readonly edition: string;
  readonly values: ReturnType<typeof codeValues>;
  readonly layOut: LayOut;
  /** A text in the words of the place. */
  words(text: string): string;
  quantity(value: number, unit: Parameters<typeof quantityText>[1], more?: number): string;
  /** Tag of a part or place on the one-line drawing; '' = it has none. */
  tagOf(about: string): string;
}

/** Marks a figure that was taken for granted; said at the foot of the table. */
export const assumedMark = '*';

export function packetOf(
  study: DesignStudy,
  more: Pick<PacketOf, 'items' | 'company' | 'jobName' | 'day' | 'layOut'>,
): PacketOf {
  const { plan, wired } = study;
  const { units } = plan.site;
  const sheet = oneLinePlan(wired, units);
  const tags = oneLineTags(sheet);
  const byAbout = new Map(tags.map(({ about, tag }) => [about, tag]));
  const locale = placeLocale(plan.supply.system);
  const { items, company, jobName, day, layOut } = more;
  return {
    study,
    items,
    company,
    jobName,
    day,
    layOut,
    sheet,
    tags,
    safety: safetyOf(plan, wired),
    placement: judgedPlacement(study),
    units,
    edition: packNames[packIdFor(plan)].edition,
    values: codeValues(plan),
    words: (text) => inWordsOf(locale, text),
    quantity: (value, unit, decimals = 0) => quantityText(value, unit, units, decimals),
    tagOf: (about) => byAbout.get(about) ?? '',
  };
}
