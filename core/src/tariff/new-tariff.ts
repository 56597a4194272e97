import type { Tariff } from './tariff.schema.js';

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
  bands: [{ id: 'any', name: 'Any time', prices: [{ id: 'year', importPerKWh: null, exportPerKWh: null }] }],
  windows: [],
  tiers: [],
  exportRule: 'priced',
  standing: [],
  demand: [],
  taxes: [],
  minimumPerMonth: null,
});
