import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { syntheticYear, typicalClimates, type WeatherYear } from '../../nature/index.js';
import { batteryTemperaturesC, dischargeShareAt, tripRun } from '../../electric/index.js';
import { emptySources, type SolarArray } from '../../design/index.js';
import { anArray, anOutageYear, steadyWeather } from '../testing/outages.js';
import { aPlan } from '../../design/testing/plan.js';
import { aLoad, allSeasons, arbitraryLoad, aroundTheClock } from '../../house/testing/loads.js';
import type { Member } from '../demand/power-members.js';
import { dayFactors } from './day-factors.js';
import { demandTrace, newDemandSum } from './demand-trace.js';
import { eachSpan } from './each-span.js';
import { loadCycles } from './load-cycles.js';
import { markOverloads } from './mark-overloads.js';
import { overloadMinutes } from './overload-minutes.js';
import { outageFates, windowFor } from './outage-fates.js';
import { outagePlan } from './outage-plan.js';
import { PickupMarks } from './pickup-marks.js';
import { hourlyArrayW, type SunLimits, sunTrace } from './sun-trace.js';
import { onStep, startSteps, stepsBetween } from './switching-steps.js';
import { surplusSolarWhPerDay } from './surplus-solar.js';
import { TierAccount } from './tier-account.js';
import { traceHouse } from './traced-house.js';

const factors = dayFactors(steadyWeather());
const givenBy = (year: WeatherYear, arrays: readonly SolarArray[], limits: SunLimits) =>
  sunTrace(arrays, limits, (array) => hourlyArrayW(array, year));
const cyclesOf = (load: ReturnType<typeof aLoad>) => loadCycles(load, 3, 40, factors);

describe('spans of a window', () => {
  it('are those of its days, cut at its ends, wherever it begins', () => {
    fc.assert(
      fc.property(
        arbitraryLoad('split-120-240'),
        fc.integer({ min: 0, max: 524_000 }),
        fc.integer({ min: 1, max: 4000 }),
        (load, fromMinute, minutes) => {
          const cycles = cyclesOf(load);
          const found: number[] = [];
          eachSpan(cycles, fromMinute, minutes, (from, to) => found.push(from, to));
          const expected: number[] = [];
          for (let day = Math.floor(fromMinute / 1440); day * 1440 < fromMinute + minutes; day += 1) {
            const spans = cycles.onDay(day);
            const shift = day * 1440 - fromMinute;
            for (let i = 0; i < spans.length; i += 2) {
              const from = Math.max(0, spans[i]! + shift);
              const to = Math.min(minutes, spans[i + 1]! + shift);
              if (to > from) expected.push(from, to);
            }
          }
          expect(found).toEqual(expected);
        },
      ),
    );
  });

  it('start only where nothing ran before: not at midnight, not at the edge of the window', () => {
    const always = aLoad({ dutyCycle: 1, use: allSeasons(aroundTheClock), runningPowerW: 100 });
    const starts: boolean[] = [];
    eachSpan(cyclesOf(always), 700, 4000, (_f, _t, begins) => starts.push(begins));
    expect(starts).toEqual([false, false, false, false]);
  });
});

/** A load of 900 W that runs for half of the time, and a guest that would always run, where there is room beside it. */
function besideBase(guest: Parameters<typeof aLoad>[0]) {
  const always = { powerFactor: 1, use: allSeasons(aroundTheClock), kind: 'other' } as const;
  const shed = { device: 'relay', when: 'power', belowCharge: 0.5, order: 1, responseS: 0.5 } as const;
  return traceHouse(
    'split-120-240',
    [
      { load: aLoad({ ...always, id: 'base', runningPowerW: 900, dutyCycle: 0.5 }), lane: 'on', shed: null },
      { load: aLoad({ ...always, dutyCycle: 1, ...guest }), lane: 'auto', shed },
    ],
    { seed: 1, latitudeDeg: 40, factors, household: 'usual', handsOn: false },
  );
}

describe('demand', () => {
  const house = (loads: ReturnType<typeof aLoad>[]) =>
    traceHouse(
      'split-120-240',
      loads.map((load) => ({ load, lane: 'on', shed: null })),
      { seed: 1, latitudeDeg: 40, factors, household: 'usual', handsOn: false },
    );
  it('keeps the energy of the spans, and its peaks are never below what runs together', () => {
    fc.assert(
      fc.property(fc.array(arbitraryLoad('split-120-240'), { minLength: 1, maxLength: 4 }), (random) => {
        const loads = random.map((load, i) => ({ ...load, id: `l${i}` }));
        const traced = house(loads);
        const trace = demandTrace(traced, { fromMinute: 0, minutes: 1440 }, { wholeVA: 1e9, legVA: 1e9 });
        const energyWh = trace.demandW[0]!.reduce((sum, w) => sum + w / 60, 0);
        let spansWh = 0;
        for (const { cycles, powerW } of traced.loads) {
          eachSpan(cycles, 0, 1440, (from, to) => (spansWh += (powerW * (to - from)) / 60));
        }
        // Powers are kept as multiples of 2⁻²⁰ W: half of that is lost in each minute at most, for each load.
        expect(Math.abs(energyWh - spansWh)).toBeLessThan(loads.length * 24 * 2 ** -21 + 1e-9 * spansWh);
        const steps = stepsBetween(traced.loads, trace, 0, 1440);
        let now = 0;
        for (const { at: when, deltaVA } of steps) {
          now += deltaVA[0]!;
          const minute = Math.min(1439, Math.floor(when));
          expect(now).toBeLessThanOrEqual(trace.peakVA[0]![0]![minute]! * (1 + 1e-5) + 1);
        }
        // What is switched on is switched off again.
        expect(Math.abs(now)).toBeLessThan(1e-6 * Math.max(1, energyWh));
      }),
      { numRuns: 40 },
    );
  });

  it('is the same whether loads are filled in at once or added one after the other, to the last digit', () => {
    const shedAt = fc.constantFrom(null, 0.3, 0.6);
    const members = fc.array(fc.tuple(arbitraryLoad('split-120-240'), shedAt), {
      minLength: 1,
      maxLength: 5,
    });
    const window = fc.record({
      fromMinute: fc.integer({ min: 0, max: 524_000 }),
      minutes: fc.integer({ min: 1, max: 3000 }),
    });
    fc.assert(
      fc.property(members, window, (random, minutes) => {
        const traced = traceHouse(
          'split-120-240',
          random.map(([load, at], i): Member => ({
            load: { ...load, id: `l${i}` },
            lane: at === null ? 'on' : 'auto',
            shed:
              at === null
                ? null
                : { device: 'relay', when: 'charge', belowCharge: at, order: 1, responseS: 0.5 },
          })),
          { seed: 1, latitudeDeg: 40, factors, household: 'usual', handsOn: false },
        );
        const filled = newDemandSum(traced, minutes);
        filled.fill(traced.loads);
        const added = newDemandSum(traced, minutes);
        for (const load of traced.loads) added.add(load, 1);
        expect(filled.demandW).toEqual(added.demandW);
        expect(filled.peakVA).toEqual(added.peakVA);
      }),
      { numRuns: 60 },
    );
  });

  it('leaves a circuit off in minutes in which there is no room for it', () => {
    const traced = besideBase({ id: 'guest', runningPowerW: 500 });
    const trace = demandTrace(traced, { fromMinute: 0, minutes: 1440 }, { wholeVA: 1000, legVA: 1000 });
    expect(Math.max(...trace.demandW[0]!)).toBeLessThanOrEqual(1000);
    const offWh = trace.noRoomW.reduce((sum, w) => sum + w / 60, 0);
    // The base runs for half of the time, and touches a few minutes more.
    expect(offWh).toBeGreaterThan(500 * 12);
    expect(offWh).toBeLessThan(500 * 14);
  });
});

describe('a motor that is let on where there is room', () => {
  it('starts whenever it comes on, and waits for room for its start', () => {
    const start = { how: 'multiple', multiple: 4, durationS: 2 } as const;
    const traced = besideBase({ id: 'motor', runningPowerW: 300, start });
    const startsUnder = (wholeVA: number) => {
      const trace = demandTrace(traced, { fromMinute: 0, minutes: 1440 }, { wholeVA, legVA: 1e9 });
      const on = trace.managed[0]!.on;
      const resumed = [...on].filter((now, m) => m > 0 && now === 1 && on[m - 1] === 0).length;
      const steps = stepsBetween(traced.loads, trace, 0, 1440);
      const begun = steps.filter(({ surge, deltaVA }) => surge && deltaVA[0]! > 0).length;
      return { resumed, begun, peak: Math.max(...trace.peakVA[0]![0]!) };
    };
    // 900 + 300 running, 900 more for the start.
    const roomy = startsUnder(2100);
    expect([roomy.resumed, roomy.begun]).toEqual([0, 0]);
    const narrow = startsUnder(1500);
    expect(narrow.resumed).toBeGreaterThan(5);
    expect(narrow.begun).toBe(narrow.resumed);
    expect(narrow.peak).toBeLessThanOrEqual(1500);
  });
});

describe('overloads', () => {
  const levels = [
    { aboveVA: 4000, heldS: 20 },
    { aboveVA: 6000, heldS: 2 },
    { aboveVA: 9000, heldS: 0 },
  ];
  it('are found as stepping through every hundredth of a second finds them', () => {
    const pulse = fc.record({
      atS: fc.integer({ min: 0, max: 150 }),
      forS: fc.integer({ min: 1, max: 40 }),
      va: fc.integer({ min: 500, max: 5000 }),
    });
    fc.assert(
      fc.property(fc.array(pulse, { minLength: 1, maxLength: 6 }), (pulses) => {
        const marks = new Uint8Array(4);
        const steps = pulses
          .flatMap(({ atS, forS, va }) => [
            { at: atS / 60, deltaVA: Float64Array.of(va) },
            { at: (atS + forS) / 60, deltaVA: Float64Array.of(-va) },
          ])
          .toSorted((a, b) => a.at - b.at);
        markOverloads(steps, [{ part: 'whole', levels }], 0, 4, marks);
        // The first trip of a run in steps of 10 ms, without retries.
        const demand = (timeS: number): number =>
          pulses.reduce(
            (sum, { atS, forS, va }) => sum + (timeS >= atS - 1e-9 && timeS < atS + forS - 1e-9 ? va : 0),
            0,
          );
        const { events } = tripRun(demand, levels, [], { afterS: 1, tries: 0 }, 240);
        const trip = events.find(({ kind }) => kind === 'trip');
        const first = marks.findIndex((mark) => mark > 0);
        if (trip) expect(first).toBe(Math.floor(trip.timeS / 60 + 1e-9));
        else expect(first).toBe(-1);
      }),
    );
  });

  it('a start is its surge for seven tenths, then its fall, and leaves nothing behind', () => {
    const traced = traceHouse(
      'split-120-240',
      [
        {
          load: aLoad({
            runningPowerW: 1000,
            powerFactor: 1,
            legs: 'L1',
            start: { how: 'multiple', multiple: 5, durationS: 10 },
          }),
          lane: 'on',
          shed: null,
        },
      ],
      { seed: 1, latitudeDeg: 40, factors, household: 'usual', handsOn: false },
    ).loads[0]!;
    const steps = [onStep(traced, 2), ...startSteps(traced, 2)];
    const sums = steps.map(({ at: when, deltaVA }) => [Math.round(when * 60 * 10) / 10, [...deltaVA]]);
    expect(sums).toEqual([
      [120, [1000, 1000, 0, 1000]],
      [120, [4000, 4000, 0, 4000]],
      [127, [-1400, -1400, -0, -1400]],
      [130, [-2600, -2600, -0, -2600]],
    ]);
  });
});

describe('overloads of later stages', () => {
  it('are sought only where those of the stage before were found, beside loads that run where there is room too', () => {
    const lanes = fc.constantFrom('on', 'where-room', 'by-charge');
    const members = fc.array(fc.tuple(arbitraryLoad('split-120-240'), lanes), { minLength: 2, maxLength: 7 });
    const axes = (['whole', 'L1', 'L2'] as const).map((part) => ({
      part,
      levels: [
        { aboveVA: 1500, heldS: 30 },
        { aboveVA: 2600, heldS: 0 },
      ],
    }));
    fc.assert(
      fc.property(members, (random) => {
        const traced = traceHouse(
          'split-120-240',
          random.map(([load, lane], i): Member => ({
            load: { ...load, id: `l${i}` },
            lane: lane === 'on' ? 'on' : 'auto',
            shed:
              lane === 'on'
                ? null
                : {
                    device: 'relay',
                    when: lane === 'by-charge' ? 'charge' : 'power',
                    belowCharge: 0.5,
                    order: i,
                    responseS: 0.5,
                  },
          })),
          { seed: 1, latitudeDeg: 40, factors, household: 'usual', handsOn: false },
        );
        const trace = demandTrace(traced, { fromMinute: 0, minutes: 1440 }, { wholeVA: 3000, legVA: 2000 });
        const everywhere = trace.peakVA.map(() => new Uint8Array(1440).fill(1));
        const isMarked = (marks: readonly Uint8Array[]) =>
          marks.map((of) => of.map((mark) => (mark > 0 ? 1 : 0)));
        expect(isMarked(overloadMinutes(traced, trace, axes))).toEqual(
          isMarked(overloadMinutes(traced, trace, axes, everywhere)),
        );
      }),
      { numRuns: 60 },
    );
  });
});

describe('overloads while some circuits are shed', () => {
  it('are those of a house without them', () => {
    const axes = (['whole', 'L1', 'L2'] as const).map((part) => ({
      part,
      levels: [
        { aboveVA: 1800, heldS: 90 },
        { aboveVA: 2600, heldS: 5 },
        { aboveVA: 4000, heldS: 0 },
      ],
    }));
    fc.assert(
      fc.property(
        fc.array(arbitraryLoad('split-120-240'), { minLength: 2, maxLength: 7 }),
        fc.integer({ min: 0, max: 360 }),
        (loads, day) => {
          const members = loads.map((load, i) => ({
            ...load,
            id: `l${i}`,
            runningPowerW: load.runningPowerW / 4,
          }));
          const habits = { seed: 5, latitudeDeg: 40, factors, household: 'usual', handsOn: false } as const;
          const of = (some: typeof members) =>
            traceHouse(
              'split-120-240',
              some.map((load) => ({ load, lane: 'on', shed: null })),
              habits,
            );
          const whole = of(members);
          const sheds = {
            ...whole,
            thresholds: [0.5],
            loads: whole.loads.map((load, i) =>
              i < 2 ? { ...load, kept: 'by-charge' as const, offFromStage: 1 } : load,
            ),
          };
          const window = { fromMinute: day * 1440, minutes: 2880 };
          const limit = { wholeVA: 1800, legVA: 1800 };
          const [all, shed] = overloadMinutes(sheds, demandTrace(sheds, window, limit), axes);
          const rest = of(members.slice(2));
          expect([...all!]).toEqual([...overloadMinutes(whole, demandTrace(whole, window, limit), axes)[0]!]);
          expect([...shed!]).toEqual([...overloadMinutes(rest, demandTrace(rest, window, limit), axes)[0]!]);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('what starts again after the gap', () => {
  const axes = (['whole', 'L1', 'L2'] as const).map((part) => ({
    part,
    levels: [
      { aboveVA: 2500, heldS: 5 },
      { aboveVA: 4000, heldS: 0 },
    ],
  }));
  const motor = aLoad({
    id: 'motor',
    kind: 'pump',
    legs: 'L1',
    runningPowerW: 900,
    powerFactor: 1,
    start: { how: 'multiple', multiple: 6, durationS: 0.5 },
    dutyCycle: 0.5,
    use: allSeasons(aroundTheClock),
  });
  const houseOf = (loads: ReturnType<typeof aLoad>[]) =>
    traceHouse(
      'split-120-240',
      loads.map((load) => ({ load, lane: 'on', shed: null })),
      { seed: 3, latitudeDeg: 40, factors, household: 'usual', handsOn: false },
    );

  it('trips in whatever minute the grid goes while the motor runs, and in no other', () => {
    const house = houseOf([motor]);
    const marks = new PickupMarks(house, { fromMinute: 20_000, minutes: 2880 }, axes, 60_000);
    const runs = new Uint8Array(2880);
    eachSpan(house.loads[0]!.cycles, 20_000, 2880, (from, to) => {
      for (let minute = Math.ceil(from); minute < to; minute += 1) runs[minute] = 1;
    });
    const found = Array.from(runs, (_, minute) => Number(marks.at(minute) > 0));
    expect(found).toEqual([...runs]);
    expect(new Set(found)).toEqual(new Set([0, 1]));
  });

  it('is the same whether a minute is the full hour of its window or not', () => {
    fc.assert(
      fc.property(
        fc.array(arbitraryLoad('split-120-240'), { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 0, max: 400_000 }),
        fc.integer({ min: 0, max: 1439 }),
        (loads, fromMinute, minute) => {
          const house = houseOf([motor, ...loads.map((load, i) => ({ ...load, id: `l${i}` }))]);
          const of = (begin: number) =>
            new PickupMarks(house, { fromMinute: begin, minutes: 1440 }, axes, 60_000);
          expect(of(fromMinute).at(minute)).toBe(of(fromMinute + minute).at(0));
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('sun through a year', () => {
  // Typical yearly yields of a kilowatt towards the equator, kWh: common knowledge of the trade, recalled.
  it.each([
    ['desert', 1600, 2100],
    ['highland', 1450, 1950],
    ['mediterranean', 1300, 1750],
    ['central-europe', 900, 1250],
    ['atlantic-europe', 750, 1050],
    ['southern-temperate', 1200, 1650],
  ])('%s: a kilowatt gives %d to %d kWh', (id, least, most) => {
    const climate = typicalClimates.find((one) => one.id === id)!;
    const south = climate.latitudeDeg < 0 ? 0 : 180;
    const yields = [1, 2, 3].map((seed) => {
      const array = anArray({
        ratedW: 1000,
        facingDeg: south,
        tiltDeg: Math.min(40, Math.abs(climate.latitudeDeg)),
      });
      return hourlyArrayW(array, syntheticYear(climate, seed)).reduce((sum, watts) => sum + watts / 1000, 0);
    });
    for (const one of yields) {
      expect(one).toBeGreaterThan(least);
      expect(one).toBeLessThan(most);
    }
  });

  // 12 kWp on inputs of 7.9 kW: what is above the limit is lost in the minutes in which it is there, and in no other.
  it('is clipped minute by minute at what takes it, not scaled all day', () => {
    const year = syntheticYear(typicalClimates[3]!, 2);
    const of = (limitW: number, coupling: 'ac' | 'dc') =>
      givenBy(year, [anArray({ ratedW: 12_000, coupling, inverterW: 12_000 })], {
        system: 'split-120-240',
        solarDcW: limitW,
        solarAcW: limitW,
        perLegVA: 1e6,
      })[coupling === 'dc' ? 'dcW' : 'acW'];
    for (const coupling of ['ac', 'dc'] as const) {
      const [free, clipped] = [of(1e6, coupling), of(7900, coupling)];
      const least = free.map((watts) => Math.min(watts, 7900));
      expect(clipped.findIndex((watts, minute) => watts !== least[minute])).toBe(-1);
      const kept = clipped.reduce((a, b) => a + b, 0) / free.reduce((a, b) => a + b, 0);
      expect(kept).toBeGreaterThan(0.9);
      expect(kept).toBeLessThan(1);
    }
  });

  it('is held on the leg it feeds, while the other legs keep theirs', () => {
    const year = syntheticYear(typicalClimates[3]!, 2);
    const roof = (legs: 'L1' | 'L2', ratedW: number) =>
      anArray({ id: legs, legs, ratedW, inverterW: ratedW });
    const of = (arrays: ReturnType<typeof anArray>[], perLegVA: number) =>
      givenBy(year, arrays, { system: 'split-120-240', solarDcW: 0, solarAcW: 1e6, perLegVA }).acW;
    const [big, small] = [roof('L1', 9000), roof('L2', 2000)];
    const together = of([big, small], 4000);
    const [bigFree, smallFree] = [of([big], 1e6), of([small], 1e6)];
    const expected = bigFree.map((watts, minute) => Math.min(watts, 4000) + smallFree[minute]!);
    for (let minute = 0; minute < together.length; minute += 997)
      expect(together[minute]!).toBeCloseTo(expected[minute]!, 1);
  });

  it('minutes keep the energy of the hours', () => {
    const year = syntheticYear(typicalClimates[3]!, 2);
    const array = anArray({ ratedW: 3000 });
    const hoursWh = hourlyArrayW(array, year).reduce((sum, watts) => sum + watts, 0);
    const { acW } = givenBy(year, [array], {
      system: 'split-120-240',
      solarDcW: 0,
      solarAcW: 1e6,
      perLegVA: 1e6,
    });
    const minutesWh = acW.reduce((sum, watts) => sum + watts / 60, 0);
    expect(minutesWh / hoursWh).toBeGreaterThan(0.98);
    expect(minutesWh / hoursWh).toBeLessThan(1.02);
  });
});

describe('surplus sun', () => {
  const year = syntheticYear(typicalClimates[3]!, 2);
  const plan = (ratedW: number, loadW: number) =>
    aPlan([aLoad({ runningPowerW: loadW, dutyCycle: 1, use: allSeasons(aroundTheClock) })], {
      sources: { ...emptySources(), arrays: ratedW === 0 ? [] : [anArray({ ratedW })] },
    });
  it('is what the arrays give beyond what the house takes', () => {
    expect(surplusSolarWhPerDay(plan(0, 100), year)).toBe(0);
    const winterDays = 90;
    const allWh = hourlyArrayW(anArray({ ratedW: 4000 }), year).reduce(
      (sum, watts, hour) => sum + (hour < 59 * 24 || hour >= 334 * 24 ? watts : 0),
      0,
    );
    expect(surplusSolarWhPerDay(plan(4000, 0), year)).toBeCloseTo(allWh / winterDays, 6);
    expect(surplusSolarWhPerDay(plan(4000, 600), year)).toBeLessThan(allWh / winterDays);
    expect(surplusSolarWhPerDay(plan(4000, 90_000 / 2), year)).toBe(0);
  });
});

describe('the battery in the cold', () => {
  const year = syntheticYear(typicalClimates[1]!, 1);
  it('is as cold as the day outdoors, half as cold in an unheated room, as said where somebody said so', () => {
    const outdoors = batteryTemperaturesC('outdoors', 20, year);
    const inside = batteryTemperaturesC('unheated', 20, year);
    expect(Math.min(...outdoors)).toBeLessThan(-10);
    expect(inside[100]).toBeCloseTo((outdoors[100]! + 14) / 2, 9);
    expect(new Set(batteryTemperaturesC('as-said', 7, year))).toEqual(new Set([7]));
  });
  it('gives less below freezing, and nothing at −20 °C for lithium', () => {
    expect(dischargeShareAt('lithium', -20)).toBe(0);
    expect(dischargeShareAt('lithium', -10)).toBe(0.5);
    expect(dischargeShareAt('lead-acid', -10)).toBeGreaterThan(0.5);
  });
});

describe('the account of a tier', () => {
  const wish = {
    tier: 'should' as const,
    byStage: [new Float32Array(4), Float32Array.of(60, 60, 60, 60), Float32Array.of(120, 120, 120, 120)],
    offBesideByStage: [],
    noRoomW: Float32Array.of(0, 30, 0, 0),
  };
  it('counts what is switched off beside a generator as shed', () => {
    const off = {
      ...wish,
      offBesideByStage: [new Float32Array(4), new Float32Array(4), Float32Array.of(90, 90, 90, 90)],
    };
    const account = new TierAccount(off, 4);
    account.book(0, 1, 1, 'none', false);
    account.book(2, 1, 1, 'none', true);
    expect([account.servedW[0], account.servedW[2]]).toEqual([120, 30]);
    expect([account.unservedW[0], account.unservedW[2]]).toEqual([60, 150]);
  });

  it('says what was served, what was not, and first why', () => {
    const account = new TierAccount(wish, 4);
    account.book(0, 0, 1, 'none', false);
    account.book(1, 0, 1, 'none', false);
    account.book(2, 1, 1, 'none', false);
    account.book(3, 1, 0.25, 'empty', false);
    expect([...account.servedW]).toEqual([180, 180, 120, 30]);
    expect([...account.unservedW]).toEqual([0, 30, 60, 150]);
    expect(account.result()).toEqual({
      tier: 'should',
      servedWh: 8.5,
      unservedWh: 4,
      wantedH: 4 / 60,
      servedH: 1 / 60,
      firstFailureH: 1 / 60,
      firstFailureWhy: 'no-room',
    });
  });
});

describe('outages from different charges', () => {
  it('last longer from a fuller battery', () => {
    const year = anOutageYear({
      loads: [
        aLoad({
          runningPowerW: 500,
          powerFactor: 1,
          dutyCycle: 1,
          use: allSeasons(aroundTheClock),
          kind: 'other',
        }),
      ],
    });
    const plan = outagePlan(year, 0, windowFor(48, 2880));
    const from = (share: number) =>
      outageFates(plan, {
        hours: 48,
        everyH: 12,
        horizonMin: 2880,
        chargeAt: () => share * year.hardware.usableWh,
      });
    const [half, full] = [from(0.5).survivedMin, from(1).survivedMin];
    for (const hour of [0, 12, 24, 36]) {
      expect(half[hour]).toBeCloseTo(600, 1);
      expect(full[hour]).toBeCloseTo(1200, 1);
    }
    expect(Number.isNaN(full[1]!)).toBe(true);
  });
});
