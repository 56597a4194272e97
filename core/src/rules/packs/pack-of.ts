import { backupRules, transferRules } from './data/backup-rules.js';
import { clausesOf } from './data/clauses.js';
import { packNames, packValues } from './data/pack-values.js';
import {
  americanServiceRules,
  auNzRules,
  iecResidualRules,
  iecServiceRules,
  sourceRules,
  ukRules,
} from './data/service-rules.js';
import {
  americanPlacementRules,
  auNzPlacementRules,
  genericPlacementRules,
  placementRules,
  ukPlacementRules,
} from './data/placement-rules.js';
import { surveyRules } from './data/survey-rules.js';
import { busbarRules, islandFaultRules, wiringRules } from './data/wiring-rules.js';
import { packIdFor, type UnderCode } from './pack-id-for.js';
import { type PackId, packIds, type RulePack } from './pack.js';
import type { Rule } from './rule.schema.js';

/** Rules each pack has, beside those of all. */
const own: Readonly<Record<PackId, readonly Rule[]>> = {
  'us-2023': [...transferRules, ...busbarRules, ...americanServiceRules, ...americanPlacementRules],
  'us-2020': [...transferRules, ...busbarRules, ...americanServiceRules, ...americanPlacementRules],
  uk: [...islandFaultRules, ...iecServiceRules, ...ukRules, ...ukPlacementRules],
  'au-nz': [...islandFaultRules, ...iecServiceRules, ...auNzRules, ...auNzPlacementRules],
  iec: [...islandFaultRules, ...iecServiceRules, ...iecResidualRules, ...genericPlacementRules],
};
const everywhere = [...surveyRules, ...backupRules, ...wiringRules, ...sourceRules, ...placementRules];

const cited = (one: Rule, clause: string | undefined): Rule =>
  clause === undefined || clause === '' ? one : { ...one, clause, origin: 'recalled' };

const packs: Readonly<Record<PackId, RulePack>> = Object.fromEntries(
  packIds.map((id): [PackId, RulePack] => [
    id,
    {
      id,
      ...packNames[id],
      values: packValues[id],
      rules: [...everywhere, ...own[id]].map((one) => cited(one, clausesOf[id][one.id])),
    },
  ]),
) as Record<PackId, RulePack>;

export const packOf = (id: PackId): RulePack => packs[id];

const withOwn = new WeakMap<readonly Rule[], RulePack>();

/** The pack that holds for a job, with the rules that company and utility added. */
export function packFor(under: UnderCode): RulePack {
  const pack = packOf(packIdFor(under));
  const { rules } = under.code;
  if (rules.length === 0) return pack;
  const known = withOwn.get(rules);
  if (known?.id === pack.id) return known;
  const made = { ...pack, rules: [...pack.rules, ...rules] };
  withOwn.set(rules, made);
  return made;
}
