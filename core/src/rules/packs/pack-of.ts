import type { Parties } from '../../house/index.js';
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

const withOwn = new WeakMap<readonly Rule[], { readonly there: string; readonly pack: RulePack }>();

/** What decides which rules hold. */
export interface UnderRules extends UnderCode {
  readonly parties: UnderCode['parties'] & Pick<Parties, 'region' | 'utility'>;
}

/** Does a rule hold in the region and with the utility of a job? While the job names none, a rule that asks for one does not. */
const holdsThere = (
  { region, utility }: Pick<Rule, 'region' | 'utility'>,
  parties: Pick<Parties, 'region' | 'utility'>,
): boolean => isPartOf(region, parties.region) && isPartOf(utility, parties.utility);

const isPartOf = (asked: string, said: string): boolean =>
  said.trim().toLowerCase().includes(asked.trim().toLowerCase());

/** The pack that holds for a job, with the rules that company and utility added and that hold there. */
export function packFor(under: UnderRules): RulePack {
  const pack = packOf(packIdFor(under));
  const { parties } = under;
  const { rules } = under.code;
  if (rules.length === 0) return pack;
  const there = `${pack.id} ${parties.region}\n${parties.utility}`;
  const known = withOwn.get(rules);
  if (known?.there === there) return known.pack;
  const made = { ...pack, rules: [...pack.rules, ...rules.filter((one) => holdsThere(one, parties))] };
  withOwn.set(rules, { there, pack: made });
  return made;
}
