import { hourlyEnergyWh, type Load } from '../../house/index.js';
import { type Plan, settingsOf } from '../../design/index.js';
import type { HoursLeft } from '../../study/details.js';
import type { IslandStudy } from '../study/design-study.js';

/** Charges a card shows, as shares of what the battery gives. */
export const cardCharges: readonly number[] = [1, 0.75, 0.5, 0.25];

/** How long it lasts with some of the loads on. */
export interface ChargeHours {
  readonly of: 'essentials' | 'everything';
  /** What they draw on average on a day of the design season, W. */
  readonly meanW: number;
  readonly noSun: readonly HoursLeft[];
  /** null = there is no array. */
  readonly withSun: readonly HoursLeft[] | null;
}

const withLoads = (plan: Plan, loads: readonly Load[]): Plan => ({ ...plan, loads: [...loads] });

/**
 * Hours by charge and by how much is on, in sun and without, simulated. Where everything that stays on must run, the two are the same and one stands for
 * both.
 */
export function chargeHours(plan: Plan, { evaluation, stack, simulation }: IslandStudy): ChargeHours[] {
  if (!stack) return [];
  const season = settingsOf(plan).designSeason.value;
  const kept = new Set(evaluation.context.backupSet.map(({ id }) => id));
  const must = plan.loads.filter(({ id, tier }) => kept.has(id) && tier === 'must');
  const all = plan.loads.filter(({ id }) => kept.has(id));
  const sunless: Plan = { ...plan, sources: { ...plan.sources, arrays: [] } };
  const hasSun = plan.sources.arrays.length > 0;
  const meanW = (loads: readonly Load[]): number =>
    loads.reduce((sum, load) => sum + hourlyEnergyWh(load, season).reduce((a, b) => a + b, 0), 0) / 24;
  const of = (name: ChargeHours['of'], loads: readonly Load[], whole: boolean): ChargeHours => ({
    of: name,
    meanW: meanW(loads),
    noSun: simulation.left(whole ? sunless : withLoads(sunless, loads), stack.parts, cardCharges),
    withSun: hasSun ? simulation.left(whole ? plan : withLoads(plan, loads), stack.parts, cardCharges) : null,
  });
  const sets: ChargeHours[] = [];
  if (must.length > 0 && must.length < all.length) sets.push(of('essentials', must, false));
  if (all.length > 0) sets.push(of('everything', all, true));
  return sets;
}
