import * as fc from 'fast-check';
import { DateTime } from 'luxon';
import { describe, expect, it } from 'vitest';
import { type Figure, workingText } from '../../base/index.js';
import { systemFacts } from '../../electric/index.js';
import { type Channel, type ChannelRole, gap, serviceRatingA } from '../../house/index.js';
import { clockText, localTimes, offsetSpans, WallClock } from '../../nature/index.js';
import {
  analyseReadings,
  demoReadings,
  houseDemand,
  measuredLegDemand,
  panelBalance,
  readBills,
  readOutages,
  withDemoReadings,
} from '../../house/details.js';
import { demoPlans } from '../../design/index.js';
import { isValid } from '../../design/testing/is-valid.js';
import { compareDemands } from '../demand/compare-demands.js';
import { demandContextOf } from '../margins/demand-context-of.js';
import { usageFigures } from './usage-figures.js';

const zones = [
  'Europe/Vienna',
  'America/Halifax',
  'America/St_Johns',
  'Australia/Sydney',
  'Australia/Lord_Howe',
  'Asia/Kolkata',
  'UTC',
];
const moment = fc.integer({ min: Date.UTC(2015, 0, 1) / 1000, max: Date.UTC(2030, 0, 1) / 1000 });

describe('the clock of the house, against the reference library', () => {
  it('turns every moment into its time on the wall', () => {
    fc.assert(
      fc.property(fc.constantFrom(...zones), moment, (zone, utcS) => {
        expect(clockText(utcS, zone)).toBe(
          DateTime.fromSeconds(utcS, { zone }).toFormat("yyyy-MM-dd'T'HH:mm"),
        );
      }),
    );
  });

  it('turns the wall back into the moment, the first or the second pass', () => {
    fc.assert(
      fc.property(fc.constantFrom(...zones), moment, (zone, utcS) => {
        const at = DateTime.fromSeconds(utcS, { zone });
        const wallS = utcS + at.offset * 60;
        const clock = new WallClock(zone);
        const passes = [clock.toUtcS(wallS, null), clock.toUtcS(wallS, utcS - 1), clock.toUtcS(wallS, utcS)];
        expect(passes).toContain(utcS);
      }),
    );
  });

  it('finds every change of offset to the second', () => {
    for (const zone of zones) {
      const [fromS, toS] = [Date.UTC(2025, 0, 1) / 1000, Date.UTC(2026, 0, 1) / 1000];
      const spans = offsetSpans(zone, fromS, toS);
      expect(spans).toHaveLength(zone === 'UTC' || zone === 'Asia/Kolkata' ? 1 : 3);
      for (const { fromS: at, offsetS } of spans.slice(1)) {
        expect(DateTime.fromSeconds(at, { zone }).offset * 60).toBe(offsetS);
        expect(DateTime.fromSeconds(at - 1, { zone }).offset * 60).not.toBe(offsetS);
      }
    }
  });

  it('counts days without a gap, whatever the zone', () => {
    for (const zone of zones) {
      const { day, dayCount } = localTimes(Date.UTC(2025, 0, 1) / 1000, 3600, 365 * 24, zone);
      for (let i = 1; i < day.length; i += 1) expect([0, 1]).toContain(day[i]! - day[i - 1]!);
      expect(day.at(-1)).toBe(dayCount - 1);
    }
  });
});

describe('the demand of a house', () => {
  const channel = (role: ChannelRole, values: readonly number[]): Channel => ({
    name: role,
    role,
    quantity: 'power',
    milli: Int32Array.from(values, (w) => (Number.isNaN(w) ? gap : w * 1000)),
  });
  const powers = fc.array(fc.integer({ min: 0, max: 9000 }), { minLength: 8, maxLength: 8 });

  it('closes: what came in and from the roof is what was used and sent', () => {
    fc.assert(
      fc.property(powers, powers, powers, (imported, exported, solar) => {
        const { importW, exportW, loadW } = houseDemand({
          startS: 0,
          intervalS: 900,
          count: 8,
          channels: [channel('import', imported), channel('export', exported), channel('solar', solar)],
        });
        for (let i = 0; i < 8; i += 1)
          expect(importW[i]! + solar[i]!).toBeCloseTo(loadW[i]! + exportW[i]!, 3);
      }),
    );
  });

  it('on two mains is their sum, and a gap in one is a gap in the whole', () => {
    const { loadW, from } = houseDemand({
      startS: 0,
      intervalS: 900,
      count: 3,
      channels: [channel('mains', [100, 200, NaN]), channel('mains', [10, 20, 30])],
    });
    expect(from).toBe('mains');
    expect(Array.from(loadW)).toEqual([110, 220, NaN]);
  });

  it('of circuits alone is their sum', () => {
    const { loadW, from } = houseDemand({
      startS: 0,
      intervalS: 900,
      count: 2,
      channels: [channel('circuit', [100, 200]), channel('circuit', [1, 2])],
    });
    expect([from, ...loadW]).toEqual(['circuits', 101, 202]);
  });
});

describe('a measured job', () => {
  const readings = demoReadings();
  const plan = withDemoReadings(
    demoPlans[0]!.plan,
    '00000000-0000-4000-8000-00000000000a',
    'Monitor',
    readings,
  );
  const { measurement } = plan.usage;

  it('is a valid job', () => {
    expect(isValid(plan)).toBe(true);
  });

  it('has the measured peak beside the calculation, at 125 % (NEC 220.87, recalled)', () => {
    const { settings, backupSet, power } = demandContextOf(plan);
    const view = compareDemands(plan, settings, backupSet, power).find(({ key }) => key === 'measured')!;
    expect(view.figure!.value).toBeCloseTo(1.25 * measurement!.highestW, 6);
    expect(workingText(view.figure!, ({ label }) => label)).toBe('125 % × Highest measured demand');
    const without = compareDemands(demoPlans[0]!.plan, settings, backupSet, power).find(
      ({ key }) => key === 'measured',
    )!;
    expect(without).toMatchObject({
      figure: null,
      sizes: expect.stringContaining('Import meter data') as string,
    });
  });

  it('shares the measured circuits between the legs, none lost', () => {
    const legs = measuredLegDemand(plan, measurement!);
    const mapped = new Set(
      plan.survey.panels.flatMap(({ circuits }) => circuits.map(({ channel: name }) => name)),
    );
    const total = measurement!.channels
      .filter(({ name }) => mapped.has(name))
      .reduce((sum, { meanW }) => sum + meanW, 0);
    expect(legs.reduce((sum, { meanW }) => sum + meanW, 0)).toBeCloseTo(total, 6);
    expect(legs.map(({ leg }) => leg)).toEqual(systemFacts[plan.supply.system].legs);
  });

  it('balances its panel by what was measured', () => {
    const panel = plan.survey.panels[0]!;
    const balance = panelBalance(plan, panel, 'winter');
    expect(balance.measuredCircuits).toBeGreaterThan(15);
    expect(balance.presentImbalanceVA).not.toBeCloseTo(balance.imbalanceVA, 0);
    for (const { imbalanceVA } of balance.plans) expect(imbalanceVA).toBeLessThan(balance.presentImbalanceVA);
  });

  it('has head figures whose formulas work out', () => {
    const analysis = analyseReadings(readings, 'America/Halifax');
    const figures = Object.values(usageFigures(analysis, 'Monitor')).filter(
      (figure): figure is Figure => figure !== null,
    );
    expect(figures).toHaveLength(8);
    for (const figure of figures.filter(({ formula }) => formula !== undefined)) {
      const [left, sign, right] = workingText(figure, ({ value }) => String(value))
        .replace('125 %', '1.25')
        .replace(' days', '')
        .split(' ');
      const value = sign === '×' ? Number(left) * Number(right) : Number(left) / Number(right);
      expect(value).toBeCloseTo(figure.value, 6);
    }
  });

  it('takes the rating of its services, and the brief’s until there are any', () => {
    expect(serviceRatingA(plan)).toBe(200);
    const two = {
      ...plan,
      survey: {
        ...plan.survey,
        services: [...plan.survey.services, { ...plan.survey.services[0]!, id: 'b', ratingA: 100 }],
      },
    };
    expect(serviceRatingA(two)).toBe(300);
    expect(serviceRatingA({ ...plan, survey: { ...plan.survey, services: [] } })).toBe(
      plan.supply.serviceRatingA,
    );
  });
});

describe('lists of bills and outages', () => {
  it('never throw, whatever the cells', () => {
    const cells = fc.array(
      fc.array(fc.oneof(fc.string(), fc.constantFrom('2026-01-01', '12', '3:20')), { maxLength: 4 }),
      { maxLength: 10 },
    );
    let next = 0;
    const makeId = (): string => `id-${next++}`;
    fc.assert(
      fc.property(cells, fc.boolean(), (rows, dayFirst) => {
        for (const { value, problem } of [
          ...readBills(rows, dayFirst, true, makeId),
          ...readOutages(rows, dayFirst, 'America/Halifax', makeId),
        ]) {
          expect(value === null).toBe(problem !== '');
        }
      }),
    );
  });
});
