import { DateTime } from 'luxon';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Metered, utilityBill } from './bill.js';
import { publicHolidays } from './holidays.js';
import { newTariff } from './new-tariff.js';
import { priceCalendar, type TimeGrid } from './price-calendar.js';
import { sampleTariffs } from './sample-tariffs.js';
import { type Tariff, tariffSchema } from './tariff.schema.js';

/** Hours from a day on the clock of a zone to another. */
function hours(zone: string, from: string, to: string, intervalMin = 60): TimeGrid {
  const [startS, endS] = [from, to].map((day) => DateTime.fromISO(day, { zone }).toSeconds()) as [
    number,
    number,
  ];
  return { startS, intervalS: intervalMin * 60, count: (endS - startS) / (intervalMin * 60), zone };
}
const steady = ({ count }: TimeGrid, importWh: number, exportWh = 0): Metered => ({
  importWh: new Float64Array(count).fill(importWh),
  exportWh: new Float64Array(count).fill(exportWh),
});
const bill = (tariff: Tariff, grid: TimeGrid, metered: Metered) =>
  utilityBill(tariff, priceCalendar(tariff, grid), metered);
const price = (importPerKWh: string, exportPerKWh = '0', id = 'year') => ({ id, importPerKWh, exportPerKWh });
const oneBand = (importPerKWh: string, more: Partial<Tariff> = {}): Tariff => ({
  ...newTariff('t', 'T', 'CAD'),
  bands: [{ id: 'any', name: 'Any time', prices: [price(importPerKWh)] }],
  ...more,
});
const nightTariff = (more: Partial<Tariff> = {}): Tariff => ({
  ...newTariff('t', 'T', 'EUR'),
  bands: [
    { id: 'day', name: 'Day', prices: [price('0.30')] },
    { id: 'night', name: 'Night', prices: [price('0.10')] },
  ],
  windows: [{ id: 'w', bandId: 'night', seasonIds: [], days: 'all', fromMin: 23 * 60, toMin: 7 * 60 }],
  ...more,
});

// All worked by hand.
describe('a bill', () => {
  it('of one price: energy, a charge each month and one each day, tax on all', () => {
    // January: 744 h × 2 kWh = 1,488 kWh × 0.15 = 223.20; 31 × 0.50 = 15.50; 10.00; 5 % of 248.70 = 12.435 → 12.44.
    const tariff = oneBand('0.15', {
      standing: [
        { id: 'a', name: 'Line', per: 'day', amount: '0.50' },
        { id: 'b', name: 'Meter', per: 'month', amount: '10' },
      ],
      taxes: [{ id: 't', name: 'Tax', rate: 0.05, on: 'charges' }],
    });
    const grid = hours('America/Halifax', '2026-01-01', '2026-02-01');
    const { months, total } = bill(tariff, grid, steady(grid, 2000));
    expect(months[0]!.lines.map(({ part, amount }) => [part, amount])).toEqual([
      ['standing', '15.50'],
      ['standing', '10.00'],
      ['energy', '223.20'],
      ['tax', '12.44'],
    ]);
    expect(total).toBe('261.14');
  });

  it('of two bands: on the days of change the night has seven hours and nine', () => {
    // Night from 23 to 7: eight hours. Berlin leaves out 2–3 on 29 March 2026, and repeats it on 25 October.
    for (const [from, to, nightH, dayH] of [
      ['2026-03-02', '2026-03-03', 8, 16],
      ['2026-03-29', '2026-03-30', 7, 16],
      ['2026-10-25', '2026-10-26', 9, 16],
    ] as const) {
      const grid = hours('Europe/Berlin', from, to);
      const { months } = bill(nightTariff(), grid, steady(grid, 1000));
      const amounts = Object.fromEntries(months[0]!.lines.map(({ label, amount }) => [label, amount]));
      expect(amounts).toEqual({ Night: (nightH * 0.1).toFixed(2), Day: (dayH * 0.3).toFixed(2) });
    }
  });

  it('of a meter on standard time has its night an hour later in summer', () => {
    const grid = hours('Europe/Berlin', '2026-07-01', '2026-07-02');
    const load = new Float64Array(24);
    // On the wall 7 to 8: on standard time 6 to 7, which is night.
    load[7] = 1000;
    const of = (clock: Tariff['clock']) =>
      bill(nightTariff({ clock }), grid, { importWh: load, exportWh: new Float64Array(24) }).total;
    expect([of('zone'), of('standard')]).toEqual(['0.30', '0.10']);
  });

  it('of seasons: south of the equator summer goes over New Year', () => {
    const seasonal = (fromSummer: number, fromWinter: number): Tariff => ({
      ...newTariff('t', 'T', 'AUD'),
      seasons: [
        { id: 's', name: 'Summer', fromMonth: fromSummer, fromDay: 1 },
        { id: 'w', name: 'Winter', fromMonth: fromWinter, fromDay: 1 },
      ],
      bands: [{ id: 'any', name: 'Any', prices: [price('0.50', '0', 's'), price('0.20', '0', 'w')] }],
    });
    for (const [zone, tariff, january, july] of [
      ['Australia/Sydney', seasonal(11, 4), '372.00', '148.80'],
      ['America/Denver', seasonal(5, 10), '148.80', '372.00'],
    ] as const) {
      const grid = hours(zone, '2026-01-01', '2027-01-01');
      const { months } = bill(tariff, grid, steady(grid, 1000));
      // 744 kWh × 0.50 = 372.00, × 0.20 = 148.80. A month is one of twelve, whatever the clock does.
      expect(months).toHaveLength(12);
      expect([months[0]!.total, months[6]!.total]).toEqual([january, july]);
    }
  });

  it('beyond an allowance a day: the month has that of all its days', () => {
    // February 2026: 672 kWh at 1 kW. 28 × 10 = 280: 392 beyond; 28 × 20 = 560: 112 beyond.
    const tariff = oneBand('0.10', {
      tiers: [
        { id: 'a', seasonIds: [], per: 'day', aboveKWh: 10, addPerKWh: '0.05' },
        { id: 'b', seasonIds: [], per: 'month', aboveKWh: 560, addPerKWh: '0.07' },
      ],
    });
    const grid = hours('America/Chicago', '2026-02-01', '2026-03-01');
    const { months } = bill(tariff, grid, steady(grid, 1000));
    // 67.20 + 392 × 0.05 = 19.60 + 112 × 0.07 = 7.84.
    expect(months[0]!.lines.map(({ amount }) => amount)).toEqual(['67.20', '19.60', '7.84']);
  });

  it('by demand: the highest half hour within the band, and no other', () => {
    const tariff = nightTariff({
      demand: [{ id: 'd', name: 'Peak', perKW: '12', intervalMin: 30, seasonIds: [], bandIds: ['day'] }],
    });
    const grid = hours('Europe/Berlin', '2026-06-01', '2026-07-01', 15);
    const importWh = new Float64Array(grid.count).fill(100);
    // At night 20 kW, which counts for nothing; at noon a quarter of an hour of 8 kW beside one of 4: a mean of 6 kW.
    importWh[2 * 4] = 5000;
    importWh[12 * 4] = 2000;
    importWh[12 * 4 + 1] = 1000;
    const { months } = bill(tariff, grid, { importWh, exportWh: new Float64Array(grid.count) });
    expect(months[0]!.lines.find(({ part }) => part === 'demand')).toMatchObject({
      working: '6 kW × 12',
      amount: '72.00',
    });
  });

  it('with what is sent out: it earns its price, or is set off in its band first', () => {
    const grid = hours('America/Halifax', '2026-06-01', '2026-07-01');
    // 720 kWh in, 1,080 out.
    const metered = steady(grid, 1000, 1500);
    const of = (exportRule: Tariff['exportRule'], more: Partial<Tariff> = {}) =>
      bill(
        oneBand('0.20', {
          bands: [{ id: 'any', name: 'Any', prices: [price('0.20', '0.05')] }],
          exportRule,
          ...more,
        }),
        grid,
        metered,
      );
    // 144.00 − 54.00; set off: 360 × 0.05 = 18.00 earned.
    expect(of('priced').total).toBe('90.00');
    expect(of('netted').total).toBe('-18.00');
    // Taxes are on charges alone; the least comes before them: 6.00 − (−18.00) = 24.00 more.
    const taxes: Tariff['taxes'] = [{ id: 't', name: 'Tax', rate: 0.1, on: 'charges' }];
    expect(of('priced', { taxes }).total).toBe('104.40');
    expect(of('netted', { minimumPerMonth: '6' }).total).toBe('6.00');
  });

  it('names a band whose price nobody has said', () => {
    const grid = hours('America/Halifax', '2026-06-01', '2026-06-02');
    const tariff = newTariff('t', 'T', 'CAD');
    expect(bill(tariff, grid, steady(grid, 1000)).missing).toEqual(['Any time']);
  });

  it('of any house is the sum of what its hours cost, where every kilowatt-hour has its price', () => {
    const tariff = { ...sampleTariffs('CAD', 'CA-NS', false)[2]!, standing: [] };
    const zone = 'America/Halifax';
    const grid = hours(zone, '2026-01-01', '2027-01-01');
    const days = publicHolidays('CA-NS', [2026])!;
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 9000 }), { minLength: 5, maxLength: 60 }), (pattern) => {
        const importWh = Float64Array.from(
          { length: grid.count },
          (_, i) => pattern[(i * 7) % pattern.length]!,
        );
        // Hour by hour, from the calendar of another package, and the tariff as its sheet says it.
        let sum = 0;
        for (let i = 0; i < grid.count; i += 1) {
          const at = DateTime.fromSeconds(grid.startS + i * 3600, { zone });
          const winter = at.month >= 11 || at.month < 5;
          const dayNumber = DateTime.utc(at.year, at.month, at.day).toSeconds() / 86_400;
          const workday = at.weekday <= 5 && !days.has(dayNumber);
          const peak =
            workday && ((at.hour >= 16 && at.hour < 21) || (winter && at.hour >= 7 && at.hour < 9));
          const prices = winter ? [0.287, 0.166, 0.097] : [0.341, 0.158, 0.089];
          // 6:30 begins within an hour; an hour counts by its first minute.
          sum +=
            (importWh[i]! / 1000) *
            (peak ? prices[0]! : at.hour >= 7 && at.hour < 22 ? prices[1]! : prices[2]!);
        }
        const { total, months } = bill(tariff, grid, { importWh, exportWh: new Float64Array(grid.count) });
        // Six lines a month at most, each rounded by half a cent.
        expect(Math.abs(Number(total) - sum)).toBeLessThanOrEqual(months.length * 6 * 0.005);
      }),
      { numRuns: 8 },
    );
  });
});

describe('public holidays', () => {
  it('are those of the country and the region', () => {
    // Statutory days of Nova Scotia in 2026, from memory of its labour standards: Heritage Day 16 February among them.
    const days = [...publicHolidays('CA-NS', [2026])!].map((day) =>
      DateTime.fromSeconds(day * 86_400, { zone: 'utc' }).toISODate(),
    );
    expect(days).toEqual(
      expect.arrayContaining([
        '2026-01-01',
        '2026-02-16',
        '2026-04-03',
        '2026-07-01',
        '2026-09-07',
        '2026-12-25',
      ]),
    );
    expect(publicHolidays('XX', [2026])).toBeNull();
    expect(publicHolidays('CA-XX', [2026])).toBeNull();
    expect(publicHolidays('', [2026])!.size).toBe(0);
  });
});

describe('the sample tariffs', () => {
  it('are valid, north and south', () => {
    for (const southern of [false, true])
      for (const tariff of sampleTariffs('AUD', 'AU', southern))
        expect(tariffSchema.safeParse(tariff).error).toBeUndefined();
  });
});
