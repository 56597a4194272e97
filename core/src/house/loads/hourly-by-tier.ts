import { tiers, type Load, type Tier } from './load.schema.js';
import type { Season } from '../../nature/index.js';
import { sumHourlyEnergyWh } from './sum-hourly-energy.js';

/** Energy of each tier in each clock hour of a day of the season: 24 values in Wh for each tier. */
export function hourlyByTierWh(loads: readonly Load[], season: Season): Record<Tier, Float64Array> {
  const of = (tier: Tier): Float64Array =>
    sumHourlyEnergyWh(
      loads.filter((load) => load.tier === tier),
      season,
    );
  return Object.fromEntries(tiers.map((tier) => [tier, of(tier)])) as Record<Tier, Float64Array>;
}
