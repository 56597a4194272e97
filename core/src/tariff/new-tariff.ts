import type { Band, Tariff } from './tariff.schema.js';

/** What a kilowatt-hour costs and earns in a season; nothing is known where nothing is said. */
export const bandPrice = (
  seasonId: string,
  importPerKWh: string | null = null,
  exportPerKWh: string | null = null,
): Band['prices'][number] => ({ id: seasonId, importPerKWh, exportPerKWh });

/** A tariff with one price all year, not known yet. */
export const newTariff = (id: string, name: string, currency: string): Tariff => ({
  id,
  name,
  source: '',
  currency,
  clock: 'zone',
  holidays: '',
  extraHolidays: [],
  seasons: [{ id: 'year', name: 'All year', fromMonth: 1, fromDay: 1 }],
  bands: [{ id: 'any', name: 'Any time', prices: [bandPrice('year')] }],
  windows: [],
  tiers: [],
  exportRule: 'priced',
  standing: [],
  demand: [],
  taxes: [],
  minimumPerMonth: null,
});
