import { bandPrice, newTariff } from './new-tariff.js';
import type { Tariff } from './tariff.schema.js';

/** Invented tariffs to start from, one of each make; prices are nobody's. */
export function sampleTariffs(currency: string, holidays: string, southern: boolean): Tariff[] {
  const base = (id: string, name: string): Tariff => ({
    ...newTariff(id, name, currency),
    source: 'Sample: invented prices, to be replaced',
    holidays,
  });
  const [winterFrom, summerFrom] = southern ? [5, 11] : [11, 5];
  const seasons = [
    { id: 'winter', name: 'Winter', fromMonth: winterFrom, fromDay: 1 },
    { id: 'summer', name: 'Summer', fromMonth: summerFrom, fromDay: 1 },
  ];
  const window = (
    id: string,
    bandId: string,
    fromMin: number,
    toMin: number,
    more: Partial<Tariff['windows'][number]> = {},
  ) => ({
    id,
    bandId,
    seasonIds: [],
    days: 'workdays' as const,
    fromMin,
    toMin,
    ...more,
  });
  return [
    {
      ...base('one-price', 'One price'),
      bands: [{ id: 'any', name: 'Any time', prices: [bandPrice('year', '0.174', '0.052')] }],
      standing: [{ id: 'meter', name: 'Service', per: 'month', amount: '13.40' }],
    },
    {
      ...base('day-night', 'Day and night'),
      clock: 'standard',
      bands: [
        { id: 'day', name: 'Day', prices: [bandPrice('year', '0.243', '0.061')] },
        { id: 'night', name: 'Night', prices: [bandPrice('year', '0.118', '0.061')] },
      ],
      windows: [window('night', 'night', 23 * 60, 7 * 60, { days: 'all' })],
      standing: [{ id: 'meter', name: 'Meter', per: 'day', amount: '0.41' }],
    },
    {
      ...base('three-bands', 'Peak, shoulder, off-peak by season'),
      seasons,
      bands: [
        {
          id: 'off',
          name: 'Off-peak',
          prices: [bandPrice('winter', '0.097', '0.042'), bandPrice('summer', '0.089', '0.042')],
        },
        {
          id: 'mid',
          name: 'Shoulder',
          prices: [bandPrice('winter', '0.166', '0.042'), bandPrice('summer', '0.158', '0.042')],
        },
        {
          id: 'peak',
          name: 'Peak',
          prices: [bandPrice('winter', '0.287', '0.083'), bandPrice('summer', '0.341', '0.097')],
        },
      ],
      windows: [
        window('peak-evening', 'peak', 16 * 60, 21 * 60),
        window('peak-morning', 'peak', 6 * 60 + 30, 9 * 60, { seasonIds: ['winter'] }),
        window('mid-day', 'mid', 7 * 60, 22 * 60, { days: 'all' }),
      ],
      standing: [{ id: 'meter', name: 'Service', per: 'day', amount: '0.52' }],
    },
    {
      ...base('tiered', 'Dearer beyond an allowance'),
      bands: [{ id: 'any', name: 'Any time', prices: [bandPrice('year', '0.112', '0')] }],
      tiers: [
        { id: 'second', seasonIds: [], per: 'day', aboveKWh: 21, addPerKWh: '0.048' },
        { id: 'third', seasonIds: [], per: 'day', aboveKWh: 44, addPerKWh: '0.067' },
      ],
      exportRule: 'netted',
      standing: [{ id: 'meter', name: 'Service', per: 'month', amount: '9.80' }],
      minimumPerMonth: '12.00',
    },
    {
      ...base('demand', 'Energy and demand'),
      seasons,
      bands: [
        {
          id: 'off',
          name: 'Other hours',
          prices: [bandPrice('winter', '0.084', '0.031'), bandPrice('summer', '0.084', '0.031')],
        },
        {
          id: 'peak',
          name: 'Peak',
          prices: [bandPrice('winter', '0.136', '0.031'), bandPrice('summer', '0.149', '0.031')],
        },
      ],
      windows: [window('peak', 'peak', 15 * 60, 20 * 60)],
      demand: [
        {
          id: 'peak',
          name: 'Peak demand',
          perKW: '11.30',
          intervalMin: 30,
          seasonIds: [],
          bandIds: ['peak'],
        },
      ],
      standing: [{ id: 'meter', name: 'Service', per: 'month', amount: '18.20' }],
    },
  ];
}
