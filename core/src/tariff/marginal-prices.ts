import type { PriceCalendar } from './price-calendar.js';
import type { Tariff } from './tariff.schema.js';

/** What a kilowatt-hour more or less is worth in each interval: to decide when a battery charges, never to write a bill. */
export interface MarginalPrices {
  readonly importPerKWh: Float64Array;
  readonly exportPerKWh: Float64Array;
}

/**
 * Prices with their taxes. What is netted in the month saves the price of what is taken. Tiers and standing charges do not change with the
 * hour, so that they decide nothing here.
 */
export function marginalPrices(tariff: Tariff, { band, season, grid }: PriceCalendar): MarginalPrices {
  const taxed = tariff.taxes.reduce((sum, { rate }) => sum + rate, 1);
  const table = tariff.seasons.map(({ id: seasonId }) =>
    tariff.bands.map(({ prices }) => {
      const price = prices.find(({ id }) => id === seasonId);
      const takenAt = Number(price?.importPerKWh ?? 0) * taxed;
      const sentAt = tariff.exportRule === 'netted' ? takenAt : Number(price?.exportPerKWh ?? 0);
      return [takenAt, sentAt] as const;
    }),
  );
  const importPerKWh = new Float64Array(grid.count);
  const exportPerKWh = new Float64Array(grid.count);
  for (let i = 0; i < grid.count; i += 1) {
    const [takenAt, sentAt] = table[season[i]!]![band[i]!]!;
    importPerKWh[i] = takenAt;
    exportPerKWh[i] = sentAt;
  }
  return { importPerKWh, exportPerKWh };
}
