import { bandPrice, newTariff, type Tariff } from '../../tariff/index.js';

/** What the invented utility of the farmhouse asks for: three prices by hour and season, dear winter mornings. */
export const harbourTariff: Tariff = {
  ...newTariff('harbour', 'Time-of-day, residential', 'CAD'),
  source: 'Invented sheet 4-R, of January 2026',
  holidays: 'CA-NS',
  seasons: [
    { id: 'winter', name: 'Winter', fromMonth: 11, fromDay: 1 },
    { id: 'summer', name: 'Summer', fromMonth: 4, fromDay: 1 },
  ],
  bands: [
    {
      id: 'off',
      name: 'Off-peak',
      prices: [bandPrice('winter', '0.1127', '0.064'), bandPrice('summer', '0.1093', '0.064')],
    },
    {
      id: 'mid',
      name: 'Shoulder',
      prices: [bandPrice('winter', '0.1846', '0.064'), bandPrice('summer', '0.1721', '0.064')],
    },
    {
      id: 'peak',
      name: 'Peak',
      prices: [bandPrice('winter', '0.3187', '0.064'), bandPrice('summer', '0.1984', '0.064')],
    },
  ],
  windows: [
    { id: 'morning', bandId: 'peak', seasonIds: ['winter'], days: 'workdays', fromMin: 420, toMin: 660 },
    { id: 'evening', bandId: 'peak', seasonIds: [], days: 'workdays', fromMin: 1020, toMin: 1260 },
    { id: 'day', bandId: 'mid', seasonIds: [], days: 'workdays', fromMin: 420, toMin: 1380 },
  ],
  standing: [{ id: 'service', name: 'Service', per: 'month', amount: '21.35' }],
  taxes: [{ id: 'tax', name: 'Sales tax', rate: 0.05, on: 'charges' }],
};

/** That of the row house: day and night on a meter without summer time, what is sent out earns little. */
export const vineyardTariff: Tariff = {
  ...newTariff('vineyard', 'Day and night', 'EUR'),
  source: 'Invented sheet, of October 2025',
  clock: 'standard',
  bands: [
    { id: 'day', name: 'Day', prices: [bandPrice('year', '0.2843', '0.071')] },
    { id: 'night', name: 'Night', prices: [bandPrice('year', '0.1987', '0.071')] },
  ],
  windows: [{ id: 'night', bandId: 'night', seasonIds: [], days: 'all', fromMin: 1320, toMin: 360 }],
  standing: [
    { id: 'meter', name: 'Metering', per: 'month', amount: '2.90' },
    { id: 'grid', name: 'Grid', per: 'day', amount: '0.137' },
  ],
  taxes: [{ id: 'vat', name: 'Value added tax', rate: 0.19, on: 'charges' }],
};
