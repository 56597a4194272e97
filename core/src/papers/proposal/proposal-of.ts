import type { DesignStudy, IslandStudy } from '../study/design-study.js';
import type { Item } from '../../equipment/index.js';
import { type Plan, settingsOf } from '../../design/index.js';
import type { CompanySheet } from '../company/company-sheet.schema.js';
import type { InLanguage } from '../words/in-language.js';
import type { ProposalWords } from '../words/proposal-words.js';

/** What every part of a proposal draws from. */
export interface ProposalOf {
  readonly studies: readonly DesignStudy[];
  readonly items: readonly Item[];
  readonly company: CompanySheet;
  readonly written: InLanguage;
  readonly words: ProposalWords;
  /** The day it is made, "2026-11-28". */
  readonly day: string;
}

/** Names of loads that are listed before the rest is counted. */
export const mostNames = 12;

/** The design season as it stands in a sentence: in German a noun keeps its capital. */
export function seasonName(plan: Plan, words: ProposalWords, { language }: InLanguage): string {
  const name = words[settingsOf(plan).designSeason.value];
  return language === 'de' ? name : name.toLowerCase();
}

/** Hours as they are printed: as long as outages are followed stands for "at least". */
export const lasting = (written: InLanguage, hours: number, followedH: number): string =>
  `${hours >= followedH - 1e-6 ? '≥ ' : ''}${written.quantity(Math.min(hours, followedH), 'h')}`;

/** An island of a design, with what its column is called. */
export interface ProposalColumn {
  readonly study: DesignStudy;
  readonly island: IslandStudy;
  readonly name: string;
}

/** A column for each design; of several islands each has its own. */
export const columnsOf = (studies: readonly DesignStudy[]): ProposalColumn[] =>
  studies.flatMap((study) =>
    study.islands.map((island) => ({
      study,
      island,
      name: study.islands.length > 1 ? `${study.name}, ${island.island.name}` : study.name,
    })),
  );
