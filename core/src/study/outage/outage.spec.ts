import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dailyLightWhPerM2, seasons, syntheticYear, typicalClimates } from '../../nature/index.js';
import { chargeShareAt } from '../../electric/index.js';
import { dailyEnergyWh, type Load } from '../../house/index.js';
import type { Generator } from '../../design/index.js';
import { stackEnergy, stackRuntime } from '../margins/stack-energy.js';
import { aHouse } from '../../design/testing/house.js';
import { anArray, anOutageYear, steadyWeather } from '../testing/outages.js';
import { aLoad, allSeasons, arbitraryLoad, aroundTheClock } from '../../house/testing/loads.js';
import { idealBattery, idealUnit } from '../../equipment/testing/ideal-unit.js';
import { dayFactors } from './day-factors.js';
import { horizonElevationDeg } from './horizon-elevation.js';
import { loadCycles } from './load-cycles.js';
import { outageFates, windowFor } from './outage-fates.js';
import { outagePlan, type OutageYear } from './outage-plan.js';
import { markOverloads } from './mark-overloads.js';
import { playOutage } from './play-outage.js';
import { hourlyArrayW, sunTrace } from './sun-trace.js';

const always = (watts: number, changes: Partial<Load> = {}): Load =>
  aLoad({
    kind: 'other',
    runningPowerW: watts,
    powerFactor: 1,
    dutyCycle: 1,
    use: allSeasons(aroundTheClock),
    tier: 'must',
    legs: 'L1-L2',
    ...changes,
  });

/** The closed formula knows one efficiency. */
const sameAtEveryPower = (efficiency: number) => [
  { share: 0.5, efficiency },
  { share: 1, efficiency },
];

const unitOf = (nameplateWh: number, changes: Partial<typeof idealUnit.inverter> = {}) => ({
  ...idealUnit,
  inverter: { ...idealUnit.inverter!, ...changes },
  battery: { ...idealBattery, nameplateWh },
});

const generator: Generator = {
  id: 'generator',
  circuitId: null,
  existing: false,
  powerW: 5000,
  connection: 'beside',
  legs: null,
  start: 'auto',
  comesAfterMin: 0,
  startBelow: 0.2,
  stopAbove: 0.9,
  warmUpMin: 2,
  chargerW: 4000,
  fuelL: 20,
  idleLPerH: 1,
  fullLPerH: 3,
  quiet: null,
  locksSolarOut: true,
  offWhileItRuns: [],
};

/** The load called "heater" shed below half of the charge. */
const shedsHeaterAtHalf = (year: OutageYear): OutageYear => ({
  ...year,
  thresholdsWh: Float64Array.of(year.hardware.usableWh / 2),
  house: {
    ...year.house,
    thresholds: [0.5],
    loads: year.house.loads.map((load) =>
      load.load.id === 'heater' ? { ...load, kept: 'by-charge' as const, offFromStage: 1 } : load,
    ),
  },
});

const daysH = (days: number): number => days * 1440;
const climate = (id: string) => typicalClimates.find((one) => one.id === id)!;
const coast = syntheticYear(climate('cold-coast'), 7);
const survivedH = (year: OutageYear, from = 0, days = 7): number =>
  playOutage(year, from, daysH(days)).survivedMin / 60;

describe('when loads run', () => {
  it('takes the energy the hours of use say, on a day of mean weather', () => {
    fc.assert(
      fc.property(
        arbitraryLoad('split-120-240'),
        fc.integer({ min: 0, max: 364 }),
        fc.nat(99),
        (load, day, seed) => {
          // Storms are told of in hard-days.spec.ts.
          const cycles = loadCycles({ ...load, stormFactor: null }, seed, 40, dayFactors(steadyWeather()));
          const spans = cycles.onDay(day);
          let minutes = 0;
          for (let i = 0; i < spans.length; i += 2) minutes += spans[i + 1]! - spans[i]!;
          const season = seasons.find(
            (one) =>
              Math.abs(dailyEnergyWh(load, one) - (load.quantity * load.runningPowerW * minutes) / 60) < 1e-6,
          );
          expect(season).toBeDefined();
          for (let i = 2; i < spans.length; i += 2)
            expect(spans[i]!).toBeGreaterThanOrEqual(spans[i - 1]! - 1e-9);
        },
      ),
    );
  });

  it('is the same for the same seed, and another for another', () => {
    const load = always(100, { dutyCycle: 0.3, cyclesPerHour: 3 });
    const factors = dayFactors(steadyWeather());
    const on = (seed: number) => [...loadCycles(load, seed, 40, factors).onDay(5)];
    expect(on(1)).toEqual(on(1));
    expect(on(1)).not.toEqual(on(2));
  });

  it('runs more on cold days, and no more or less over a season', () => {
    const { heating } = dayFactors(coast);
    const january = Array.from({ length: 59 }, (_, day) => day).concat(
      Array.from({ length: 31 }, (_, i) => 334 + i),
    );
    expect(january.reduce((sum, day) => sum + heating[day]!, 0) / january.length).toBeCloseTo(1, 9);
    const mean = (day: number) =>
      coast.temperatureC.slice(day * 24, day * 24 + 24).reduce((a, b) => a + b) / 24;
    const coldest = january.reduce((best, day) => (mean(day) < mean(best) ? day : best));
    expect(heating[coldest]).toBe(Math.max(...january.map((day) => heating[day]!)));
  });
});

describe('an outage without sun', () => {
  it('lasts as long as the closed formula of the loads stage says, for a constant load', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 80, max: 2500, noNaN: true }),
        fc.double({ min: 0.7, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 120, noNaN: true }),
        fc.integer({ min: 0, max: 8000 }),
        (watts, dischargeEfficiency, standbyW, hour) => {
          const year = anOutageYear({
            loads: [always(watts)],
            unit: unitOf(10_000, {
              dischargeEfficiency,
              efficiencyAt: sameAtEveryPower(dischargeEfficiency),
              standbyW,
            }),
          });
          const { context, stack } = year;
          const { runtimeH } = stackRuntime(stack, stackEnergy(stack, context.settings), context.stages);
          fc.pre(runtimeH < 160);
          expect(survivedH(year, hour * 60)).toBeCloseTo(runtimeH, 5);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('common practice: 10 kWh at 5 kW last about 2 h, at 2 kW about 5 h', () => {
    expect(survivedH(anOutageYear({ loads: [always(5000)] }))).toBeCloseTo(2, 0);
    expect(survivedH(anOutageYear({ loads: [always(2000)] }))).toBeCloseTo(5, 6);
  });

  it('follows Peukert for lead-acid: t = H · (C / (I · H))^k', () => {
    const battery = {
      ...idealBattery,
      chemistry: 'lead-acid' as const,
      peukert: { exponent: 1.2, ratedHours: 20 },
    };
    const year = anOutageYear({
      loads: [always(1000)],
      unit: { ...idealUnit, battery },
      brief: { outageDepth: 1 },
    });
    expect(survivedH(year)).toBeCloseTo(20 * (10_000 / (1000 * 20)) ** 1.2, 6);
  });

  it('sheds by charge: the rest lasts longer', () => {
    const heater = always(1500, { id: 'heater', tier: 'may' });
    // 5 kWh at 2 kW, and 5 kWh at 0.5 kW.
    const house = anOutageYear({ loads: [always(500), heater] });
    const shedding = shedsHeaterAtHalf(house);
    const run = playOutage(shedding, 0, daysH(2));
    expect(run.survivedMin / 60).toBeCloseTo(2.5 + 10, 1);
    expect(run.events.map(({ kind }) => kind)).toEqual([
      'transfer',
      'shed',
      'empty',
      'grid-back',
      'resynchronised',
    ]);
    expect(run.tiers.find(({ tier }) => tier === 'may')!.firstFailureH).toBeCloseTo(2.5, 1);
  });
});

/** Years of random houses with sun, and perhaps a generator or a vehicle, in the weather of a cold coast. */
const arbitraryYear = fc
  .record({
    loads: fc.array(arbitraryLoad('split-120-240'), { minLength: 1, maxLength: 6 }),
    array: fc.record({
      ratedW: fc.integer({ min: 500, max: 12_000 }),
      tiltDeg: fc.integer({ min: 0, max: 90 }),
      facingDeg: fc.integer({ min: 0, max: 360 }),
      coupling: fc.constantFrom('ac' as const, 'dc' as const),
    }),
    connection: fc.constantFrom(null, 'beside' as const, 'through' as const, 'charger' as const),
    vehicle: fc.constantFrom(null, 'sink' as const, 'source' as const),
    startCharge: fc.double({ min: 0.05, max: 1, noNaN: true }),
    efficiency: fc.double({ min: 0.8, max: 1, noNaN: true }),
  })
  .map(({ loads, array, connection, vehicle, startCharge, efficiency }) =>
    anOutageYear({
      loads: loads.map((load, i) => ({ ...load, id: `load-${i}`, runningPowerW: load.runningPowerW / 4 })),
      weather: coast,
      unit: unitOf(10_000, {
        dischargeEfficiency: efficiency,
        charge: { powerW: 5000, efficiency },
        standbyW: 40,
      }),
      outage: {
        arrays: [anArray(array)],
        generator: connection && { ...generator, connection },
        startCharge,
        vehicle: vehicle && {
          id: 'vehicle',
          circuitId: null,
          role: vehicle,
          powerW: 3000,
          energyWh: 40_000,
          startCharge: 0.6,
          keeps: 0.3,
          feedsBelow: 0.5,
        },
      },
    }),
  );

describe('energy', () => {
  it('is conserved in every minute of random houses in random weather', () => {
    fc.assert(
      fc.property(arbitraryYear, fc.integer({ min: 0, max: 8759 }), (year, hour) => {
        const run = playOutage(year, hour * 60, daysH(3));
        expect(run.worstImbalance).toBeLessThan(1e-9);
        expect(run.lowestCharge).toBeGreaterThanOrEqual(-1e-12);
        expect(Math.max(...run.charge)).toBeLessThanOrEqual(1);
      }),
      { numRuns: 60 },
    );
  });

  /** A second, simple implementation: hourly bookkeeping without any of the machinery. */
  const simpleSurvivalMin = (year: OutageYear, from: number, minutes: number): number => {
    const h = year.hardware;
    const spans = year.house.loads.map((load) => {
      const on = new Float64Array(minutes);
      for (let day = Math.floor(from / 1440); day * 1440 < from + minutes; day += 1) {
        const list = load.cycles.onDay(day);
        for (let i = 0; i < list.length; i += 2) {
          for (let m = 0; m < minutes; m += 1) {
            const begin = Math.max(list[i]! + day * 1440 - from, m);
            const end = Math.min(list[i + 1]! + day * 1440 - from, m + 1);
            if (end > begin) on[m]! += (end - begin) * load.powerW;
          }
        }
      }
      return on;
    });
    let wh = h.usableWh;
    // The loss at half of 6 kW is 1 / 0.94 - 1 of the power; half of it grows with the power, half with its square.
    const dcFor = (acW: number): number => acW + (1 / 0.94 - 1) * (0.5 * acW + (0.5 * acW * acW) / 3000);
    for (let m = 0; m < minutes; m += 1) {
      const loadW = spans.reduce((sum, on) => sum + on[m]!, 0) + h.standbyW;
      const sunW = m < 5 ? 0 : year.sun.acW[(from + m) % 525_600]!;
      const inW = year.sun.dcW[(from + m) % 525_600]!;
      const restW = Math.max(0, loadW - sunW);
      if (inW >= dcFor(restW)) {
        const share = wh / h.usableWh;
        const slow = share > 0.92 ? 1 - (0.85 * (share - 0.92)) / 0.08 : 1;
        wh = Math.min(
          h.usableWh,
          wh +
            Math.min(Math.max(0, sunW - loadW) * 0.95 + (inW - dcFor(restW)) * 0.97, h.chargePowerW * slow) /
              60,
        );
      } else {
        const needWh = (dcFor(restW) - inW) / 60;
        if (needWh > wh) return m + wh / needWh;
        wh -= needWh;
      }
    }
    return minutes;
  };

  it('gives the same as a second, simple implementation, on random small cases', () => {
    fc.assert(
      fc.property(
        fc.array(arbitraryLoad('split-120-240'), { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 0, max: 8759 }),
        fc.integer({ min: 0, max: 7000 }),
        fc.constantFrom('ac' as const, 'dc' as const),
        (loads, hour, ratedW, coupling) => {
          const named = loads.map((load, i) => ({
            ...load,
            id: `load-${i}`,
            quantity: 1,
            runningPowerW: Math.min(load.runningPowerW, 1900),
            powerFactor: 1,
            start: { how: 'none' as const },
            legs: 'L1-L2' as const,
          }));
          const year = anOutageYear({
            loads: named,
            weather: coast,
            unit: unitOf(8000, {
              dischargeEfficiency: 0.94,
              charge: { powerW: 3000, efficiency: 0.95 },
              standbyW: 30,
            }),
            outage: { arrays: ratedW < 100 ? [] : [anArray({ ratedW, coupling })] },
          });
          const minutes = daysH(2);
          expect(Math.min(minutes, playOutage(year, hour * 60, minutes).survivedMin)).toBeCloseTo(
            simpleSurvivalMin(year, hour * 60, minutes),
            5,
          );
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('more never survives shorter', () => {
  const base = (changes: { packs?: number; sunW?: number; fuelL?: number; fridge?: boolean }): OutageYear =>
    anOutageYear({
      loads: [
        always(420, { id: 'a', dutyCycle: 0.6, cyclesPerHour: 2 }),
        ...(changes.fridge === false
          ? []
          : [always(150, { id: 'fridge', dutyCycle: 0.4, cyclesPerHour: 3 })]),
      ],
      weather: coast,
      unit: unitOf(9000 + 3000 * (changes.packs ?? 0)),
      outage: {
        arrays: [anArray({ ratedW: changes.sunW ?? 3000 })],
        generator: changes.fuelL === undefined ? null : { ...generator, fuelL: changes.fuelL },
      },
    });
  const hours = Array.from({ length: 24 }, (_, i) => (i * 367 * 60) % 525_600);
  it.each([
    ['battery', base({}), base({ packs: 1 })],
    ['sun', base({ sunW: 2000 }), base({ sunW: 3500 })],
    ['fuel', base({ fuelL: 5, sunW: 500 }), base({ fuelL: 9, sunW: 500 })],
    ['room: one load fewer', base({}), base({ fridge: false })],
  ])('%s', (_, less, more) => {
    let longer = 0;
    for (const from of hours) {
      const [before, after] = [survivedH(less, from), survivedH(more, from)];
      expect(after).toBeGreaterThanOrEqual(before - 1e-9);
      if (after > before) longer += 1;
    }
    expect(longer).toBeGreaterThan(0);
  });
});

describe('overload', () => {
  const axes = [
    {
      part: 'whole' as const,
      levels: [
        { aboveVA: 6000, heldS: 5 },
        { aboveVA: 9000, heldS: 0 },
      ],
    },
  ];
  const pulse = (va: number, seconds: number): Uint8Array => {
    const marks = new Uint8Array(3);
    const steps = [
      { at: 1, deltaVA: Float64Array.of(va) },
      { at: 1 + seconds / 60, deltaVA: Float64Array.of(-va) },
    ];
    markOverloads(steps, axes, 0, 3, marks);
    return marks;
  };
  it('holds for exactly its seconds, and trips a moment later', () => {
    expect([...pulse(8000, 5)]).toEqual([0, 0, 0]);
    expect([...pulse(8000, 5.01)]).toEqual([0, 1, 0]);
    expect([...pulse(9001, 0.01)]).toEqual([0, 1, 0]);
    expect([...pulse(6000, 60)]).toEqual([0, 0, 0]);
  });

  it('10 kW on three phases refuse 3.5 kW on one of them, and carry 9 kW spread evenly (common practice, no source)', () => {
    const unit = unitOf(20_000, {
      systems: ['three-230-400'],
      output: 'three',
      continuousVA: 10_000,
      perLegVA: 3333,
      overload: [],
    });
    const on = (load: Load) =>
      playOutage(anOutageYear({ loads: [load], unit, system: 'three-230-400' }), 0, 120);
    const one = on(always(3500, { legs: 'L2' }));
    expect(one.survivedMin).toBeLessThan(2);
    expect(one.cause).toBe('overload-l2');
    expect(on(always(9000, { legs: 'L1-L2-L3' })).cause).toBe('none');
  });

  it('two kitchen appliances on one leg trip what carries their sum on two (common practice, no source)', () => {
    const kettle = always(1800, { id: 'kettle', legs: 'L1' });
    const toaster = (legs: 'L1' | 'L2') => always(1500, { id: 'toaster', legs });
    const cause = (legs: 'L1' | 'L2') =>
      playOutage(anOutageYear({ loads: [kettle, toaster(legs)] }), 0, 60).cause;
    expect(cause('L1')).toBe('overload-l1');
    expect(cause('L2')).toBe('none');
  });

  it('tells a start from running loads', () => {
    const pump = always(1200, {
      id: 'pump',
      dutyCycle: 0.5,
      cyclesPerHour: 2,
      start: { how: 'multiple', multiple: 7, durationS: 8 },
    });
    const cause = (loads: readonly Load[]) =>
      playOutage(anOutageYear({ loads, unit: unitOf(90_000, { retry: { afterS: 10, tries: 0 } }) }), 0, 600)
        .cause;
    // 8.4 kVA over seven tenths of eight seconds; the curve allows five above 6 kVA.
    expect(cause([pump])).toBe('starting');
    expect(cause([{ ...pump, start: { how: 'multiple', multiple: 7, durationS: 4 } }])).toBe('none');
  });

  it('motors that notice the gap start together after it', () => {
    const pump = (id: string) =>
      always(900, { id, kind: 'pump', start: { how: 'multiple', multiple: 5, durationS: 2 } });
    const loads = [pump('a'), pump('b'), pump('c')];
    const cause = (transferGapMs: number) =>
      playOutage(anOutageYear({ loads, unit: unitOf(90_000, { transferGapMs }) }), 600, 60).cause;
    // Three times 4.5 kVA; the highest point of the curve is 12 kVA.
    expect(cause(100)).toBe('starting');
    expect(cause(20)).toBe('none');
  });

  it('waits between retries as long as the unit does, minutes too', () => {
    const spell = always(7000, { use: allSeasons({ nightH: 0, morningH: 0.5, dayH: 0, eveningH: 0 }) });
    const trips = (afterS: number, tries: number) => {
      const unit = unitOf(90_000, { retry: { afterS, tries } });
      const { events } = playOutage(anOutageYear({ loads: [spell], unit }), 300, 600);
      return events.filter(
        ({ kind }) => kind !== 'transfer' && kind !== 'grid-back' && kind !== 'resynchronised',
      );
    };
    // Half an hour of overload within the morning: retries every ten minutes outlast it, retries every minute do not.
    expect(trips(60, 4).map(({ kind }) => kind)).toEqual(['trip', 'retry', 'retry', 'retry', 'locked-out']);
    const patient = trips(600, 4);
    expect(patient.map(({ kind }) => kind)).toContain('reconnected');
    const [trip, back] = [
      patient.find(({ kind }) => kind === 'trip')!,
      patient.find(({ kind }) => kind === 'reconnected')!,
    ];
    expect((back.minute - trip.minute) % 10).toBe(0);
  });

  it('is found in an overload that lasts for hours, however long the curve holds it', () => {
    const unit = unitOf(900_000, {
      overload: [{ apparentPowerVA: 9000, durationS: 3000 }],
      retry: { afterS: 10, tries: 0 },
    });
    const after = (durationS: number) => {
      const overload = [{ apparentPowerVA: 9000, durationS }];
      const of = unitOf(900_000, { ...unit.inverter, overload, retry: { afterS: 10, tries: 0 } });
      return playOutage(anOutageYear({ loads: [always(7000)], unit: of }), 0, daysH(1));
    };
    expect(after(3000).survivedMin).toBeCloseTo(50, 0);
    expect(after(3000).cause).toBe('overload');
    // The marks of a long stretch are worked out in pieces; each knows what went before it.
    const year = anOutageYear({ loads: [always(7000)], unit });
    const { overloads } = outagePlan(year, 0, 3000);
    expect([...overloads[0]!.subarray(50)].every((mark) => mark > 0)).toBe(true);
  });

  it('retries as often as it is allowed, locks out, and is reset by a hands-on household', () => {
    const load = always(7000, { use: allSeasons({ nightH: 0, morningH: 4, dayH: 0, eveningH: 0 }) });
    const play = (handsOn: boolean) =>
      playOutage(anOutageYear({ loads: [load], unit: unitOf(90_000), brief: { handsOn } }), 300, 600);
    const alone = play(false);
    expect(alone.cause).toBe('overload');
    expect(alone.events.map(({ kind }) => kind)).toEqual([
      'transfer',
      'trip',
      'locked-out',
      'grid-back',
      'resynchronised',
    ]);
    expect(play(true).events.map(({ kind }) => kind)).toContain('lit-again');
  });
});

describe('sun', () => {
  const noon = (changes: Parameters<typeof anArray>[0] = {}) => {
    const trace = sunTrace(
      [anArray(changes)],
      { system: 'split-120-240', solarDcW: 4000, solarAcW: 3000, perLegVA: 3000 },
      (array) => hourlyArrayW(array, coast),
    );
    return [...trace.acW, ...trace.dcW].reduce((most, watts) => Math.max(most, watts));
  };
  it('is clipped to what the stack takes: beside it, at its inputs, on a leg', () => {
    expect(noon({ ratedW: 12_000 })).toBeLessThanOrEqual(3000);
    expect(noon({ ratedW: 12_000, coupling: 'dc' })).toBeLessThanOrEqual(4000);
    expect(noon({ ratedW: 2000 })).toBeLessThanOrEqual(2000 / 1.2);
    expect(noon({ ratedW: 12_000 })).toBeGreaterThan(2000);
  });

  it('a roof to the south gives more in winter than one to the north, and one behind hills less', () => {
    const yieldOf = (changes: Parameters<typeof anArray>[0]) =>
      hourlyArrayW(anArray(changes), coast)
        .slice(0, 59 * 24)
        .reduce((sum, watts) => sum + watts, 0);
    const south = yieldOf({});
    expect(yieldOf({ facingDeg: 0 })).toBeLessThan(south / 2);
    const hills = [
      { azimuthDeg: 90, elevationDeg: 30 },
      { azimuthDeg: 270, elevationDeg: 30 },
    ];
    expect(yieldOf({ horizon: hills })).toBeLessThan(south * 0.8);
    expect(yieldOf({ shadeByHour: new Array<number>(24).fill(1) })).toBeLessThan(south);
    // Common practice, no source: some 900 to 1500 kWh a year for each kilowatt at 45° of latitude.
    const perKw = hourlyArrayW(anArray(), coast).reduce((sum, watts) => sum + watts, 0) / 6000;
    expect(perKw).toBeGreaterThan(900);
    expect(perKw).toBeLessThan(1500);
  });

  it('a horizon is a line around the compass', () => {
    const line = [
      { azimuthDeg: 350, elevationDeg: 10 },
      { azimuthDeg: 30, elevationDeg: 20 },
    ];
    expect(horizonElevationDeg([], 120)).toBe(0);
    expect(horizonElevationDeg(line, 10)).toBeCloseTo(15, 9);
    expect(horizonElevationDeg(line, 190)).toBeCloseTo(15, 9);
    expect(horizonElevationDeg([{ azimuthDeg: 90, elevationDeg: 7 }], 300)).toBe(7);
  });

  const brightest = dailyLightWhPerM2(coast).reduce(
    (best, light, day, all) => (light > all[best]! ? day : best),
    0,
  );
  it('comes back five minutes after the transfer, fills the battery, and is held back by frequency when it is full', () => {
    const year = anOutageYear({
      loads: [always(300)],
      weather: coast,
      outage: { arrays: [anArray()], startCharge: 0.8 },
    });
    const run = playOutage(year, brightest * 1440 + 11 * 60, 240);
    expect(run.events.slice(0, 2)).toEqual([
      { minute: 0, kind: 'transfer', what: '' },
      { minute: 5, kind: 'solar-back', what: '' },
    ]);
    expect([...run.sunUsedW.slice(0, 5)]).toEqual([0, 0, 0, 0, 0]);
    expect(run.events.some(({ kind }) => kind === 'full')).toBe(true);
    // 300 W of some 4 kW are taken: the island stands near the end of its 1.5 Hz.
    expect(Math.max(...run.frequencyHz)).toBeGreaterThan(61);
    expect(Math.max(...run.frequencyHz)).toBeLessThanOrEqual(61.5);
    expect(run.sunWastedWh).toBeGreaterThan(0);
  });

  it('brings shed circuits back a tenth above where they were shed', () => {
    const house = anOutageYear({
      loads: [always(300), always(500, { id: 'heater', tier: 'may' })],
      weather: coast,
      outage: { arrays: [anArray()], startCharge: 0.52 },
    });
    const shedding = shedsHeaterAtHalf(house);
    const run = playOutage(shedding, brightest * 1440, 1440);
    const shed = run.events.find(({ kind }) => kind === 'shed')!.minute;
    const restored = run.events.find(({ kind }) => kind === 'restored')!.minute;
    expect(run.charge[shed - 1]).toBeLessThanOrEqual(0.5);
    expect(run.charge[restored - 1]).toBeGreaterThanOrEqual(0.6);
    expect(run.charge[restored - 2]).toBeLessThan(0.6);
  });

  it('starts the house again after the battery was empty', () => {
    for (const coupling of ['ac', 'dc'] as const) {
      const year = anOutageYear({
        loads: [always(500)],
        weather: coast,
        outage: { arrays: [anArray({ coupling })], startCharge: 0.1 },
      });
      const run = playOutage(year, brightest * 1440, 1440);
      expect(run.events.map(({ kind }) => kind).slice(0, 3)).toEqual(['transfer', 'empty', 'lit-again']);
    }
  });

  it('does not charge lithium below freezing, and charges lead-acid', () => {
    expect(chargeShareAt('lithium', -0.1)).toBe(0);
    expect(chargeShareAt('lithium', 25)).toBe(1);
    expect(chargeShareAt('lead-acid', -5)).toBeGreaterThan(0);
    const cold = anOutageYear({
      loads: [always(100)],
      weather: coast,
      brief: { batteryTemperatureC: -3 },
      outage: { arrays: [anArray()], startCharge: 0.5 },
    });
    const run = playOutage(cold, brightest * 1440, 1440);
    expect(Math.min(...run.batteryW)).toBeGreaterThanOrEqual(0);
  });
});

describe('generator', () => {
  const year = (changes: Partial<Generator> = {}, loadW = 1000) =>
    anOutageYear({ loads: [always(loadW)], outage: { generator: { ...generator, ...changes } } });
  it('starts at its charge, stops at its charge, and burns what the curve says', () => {
    const run = playOutage(year(), 0, 14 * 60);
    const on = run.events.find(({ kind }) => kind === 'generator-on')!.minute;
    const off = run.events.find(({ kind }) => kind === 'generator-off')!.minute;
    // 8 kWh at 1 kW, two minutes to warm up.
    expect(on).toBeGreaterThanOrEqual(8 * 60);
    expect(on).toBeLessThanOrEqual(8 * 60 + 4);
    // 7 kWh into the battery at 4 kW.
    expect(off - on).toBeGreaterThan((7 / 4) * 60 - 3);
    expect(off - on).toBeLessThan((7 / 4) * 60 + 6);
    // 5 kW of 5 kW: 3 l an hour.
    expect(run.fuelL).toBeCloseTo((3 * (off - on)) / 60 + 2 / 60, 0);
    expect(run.cause).toBe('none');
  });
  it('burns between idling and full power on a straight line', () => {
    const run = playOutage(year({ chargerW: 0, startBelow: 1, stopAbove: 1, warmUpMin: 0 }, 2500), 0, 240);
    const standbyW = run.standbyW[100]!;
    expect(run.fuelL).toBeCloseTo((1 + 2 * ((2500 + standbyW) / 5000)) * run.generatorH, 3);
    expect(run.generatorH).toBeGreaterThan(3);
  });
  it('ends with its fuel, and the house with it', () => {
    const run = playOutage(year({ fuelL: 3 }), 0, daysH(3));
    expect(run.cause).toBe('fuel');
    expect(run.fuelL).toBeCloseTo(3, 6);
  });
  it('keeps quiet hours, and waits for somebody to come', () => {
    const quiet = playOutage(year({ quiet: { fromH: 6, toH: 12 } }), 0, 1440);
    expect(quiet.events.find(({ kind }) => kind === 'empty')!.minute).toBeCloseTo(600, 0);
    const byHand = playOutage(year({ start: 'hand', comesAfterMin: 60 }), 0, 1440);
    const called = byHand.events.find(({ kind }) => kind === 'generator-called')!.minute;
    const on = byHand.events.find(({ kind }) => kind === 'generator-on')!.minute;
    expect(on - called).toBeGreaterThanOrEqual(60);
    expect(on - called).toBeLessThanOrEqual(64);
  });
  it('carries with the inverter what neither carries alone, and no more', () => {
    const cause = (loadW: number) =>
      playOutage(
        anOutageYear({
          loads: [always(loadW, { legs: 'L1-L2' })],
          outage: { generator: { ...generator, startBelow: 1, stopAbove: 2, warmUpMin: 0, fuelL: null } },
        }),
        0,
        60,
      ).cause;
    // 6 kVA and 5 kW.
    expect(cause(10_500)).toBe('none');
    expect(cause(11_500)).toBe('overload');
  });
  describe('by its connection', () => {
    const from = (changes: Partial<Generator>, loads: readonly Load[]) =>
      playOutage(
        anOutageYear({
          loads,
          outage: {
            startCharge: 0.5,
            generator: {
              ...generator,
              startBelow: 1,
              stopAbove: 2,
              warmUpMin: 0,
              fuelL: null,
              ...changes,
            },
          },
        }),
        0,
        60,
      );

    it('adds to the legs it feeds, and to no other', () => {
      const on = (load: 'L1' | 'L2') => from({ legs: 'L1' }, [always(4000, { legs: load })]).cause;
      // 3 kVA a leg; 5 kW more on L1.
      expect([on('L1'), on('L2')]).toEqual(['none', 'overload-l2']);
    });

    it('carries alone what passes through it, while the battery rests', () => {
      const run = from({ connection: 'through' }, [always(4500)]);
      expect(run.cause).toBe('none');
      expect(Math.max(...run.batteryW)).toBeLessThanOrEqual(0);
      // The inverter alone would carry it: 5.5 kW of its 6.
      expect(from({ connection: 'through' }, [always(5500)]).cause).toBe('overload');
      expect(from({ connection: 'beside' }, [always(5500)]).cause).toBe('none');
    });

    it('as a charger alone leaves the inverter its limits, and keeps the battery from emptying', () => {
      expect(from({ connection: 'charger' }, [always(6500)]).cause).toBe('overload');
      const run = from({ connection: 'charger' }, [always(3000)]);
      // 4 kW into the battery's side, 3 kW out of it.
      expect(run.generatorW[30]).toBeCloseTo(4000, 6);
      expect(run.batteryW[30]).toBeCloseTo(-1000, 6);
      const more = from({ connection: 'charger' }, [always(5000)]);
      expect(more.batteryW[30]).toBeCloseTo(1000, 6);
    });
  });

  describe('with circuits that are switched off by hand while it runs', () => {
    const play = (changes: Partial<Generator>) => {
      const house = aHouse(
        {
          s: [
            { loads: [always(3000, { id: 'tank', name: 'Tank' })] },
            { loads: [always(1000, { id: 'rest' })] },
          ],
        },
        {},
        [{ serviceId: 's', school: 'service' }],
      );
      return playOutage(
        anOutageYear({
          loads: [],
          outage: {
            startCharge: 0.5,
            generator: {
              ...generator,
              powerW: 3500,
              connection: 'through',
              start: 'hand',
              comesAfterMin: 30,
              startBelow: 1,
              stopAbove: 2,
              warmUpMin: 0,
              fuelL: null,
              ...changes,
            },
          },
          change: ({ survey: _survey, loads: _loads, backup: _backup, ...plan }) => ({
            ...plan,
            survey: house.survey,
            loads: house.loads,
            backup: house.backup,
          }),
        }),
        0,
        120,
      );
    };
    const tank = { circuitId: 's-1' };

    it('it carries the rest; the loads come back with its end, and count as not served meanwhile', () => {
      // 4 kW are more than it gives.
      expect(play({}).cause).toBe('overload');
      const run = play({ offWhileItRuns: [tank] });
      expect(run.cause).toBe('none');
      const on = run.events.find(({ kind }) => kind === 'generator-on')!.minute;
      const served = (minute: number): number =>
        Object.values(run.servedW).reduce((sum, watts) => sum + watts[minute]!, 0);
      expect(served(on - 2)).toBeCloseTo(4000, 3);
      expect(served(on + 2)).toBeCloseTo(1000, 3);
      expect(run.events.filter(({ what }) => what === 'Tank').map(({ kind }) => kind)).toEqual([
        'switched-off',
      ]);
      expect(run.worstImbalance).toBeLessThan(1e-9);
      const short = run.tiers.reduce((sum, { unservedWh }) => sum + unservedWh, 0);
      expect(short).toBeCloseTo(3 * (run.minutes - on) * (1000 / 60), 0);
    });

    it('one that starts by itself has nobody who does so', () => {
      expect(play({ start: 'auto', offWhileItRuns: [tank] }).cause).toBe('overload');
    });

    it('everything behind such a circuit is off', () => {
      const sub = play({ offWhileItRuns: [{ circuitId: 's-1' }, { circuitId: 's-2' }] });
      const on = sub.events.find(({ kind }) => kind === 'generator-on')!.minute;
      expect(Object.values(sub.servedW).reduce((sum, watts) => sum + watts[on + 2]!, 0)).toBe(0);
    });
  });

  it('lets solar back only after its minutes of waiting', () => {
    const run = playOutage(
      anOutageYear({
        loads: [always(1000)],
        weather: coast,
        outage: {
          arrays: [anArray()],
          generator: { ...generator, startBelow: 0.5, stopAbove: 0.55, warmUpMin: 0 },
          startCharge: 0.45,
        },
      }),
      180 * 1440 + 600,
      240,
    );
    const off = run.events.find(({ kind }) => kind === 'generator-off')!.minute;
    expect(off).toBeGreaterThan(3);
    expect(Math.max(...run.sunUsedW.subarray(0, off + 5))).toBe(0);
    expect(run.sunUsedW[off + 5]).toBeGreaterThan(0);
  });
  it('keeps solar off while it runs, where it is set to', () => {
    const sunny = (locksSolarOut: boolean) =>
      playOutage(
        anOutageYear({
          loads: [always(1000)],
          weather: coast,
          outage: {
            arrays: [anArray()],
            generator: { ...generator, locksSolarOut, startBelow: 0.99, stopAbove: 1 },
            startCharge: 0.3,
          },
        }),
        180 * 1440 + 600,
        120,
      );
    expect(sunny(true).sunUsedW[30]).toBe(0);
    expect(sunny(false).sunUsedW[30]).toBeGreaterThan(0);
  });
});

describe('vehicle', () => {
  const vehicle = {
    id: 'vehicle',
    circuitId: null,
    powerW: 3000,
    energyWh: 40_000,
    startCharge: 0.5,
    keeps: 0.25,
    feedsBelow: 0.3,
  };
  it('as a source gives what it does not keep', () => {
    const year = anOutageYear({ loads: [always(1000)], outage: { vehicle: { ...vehicle, role: 'source' } } });
    // 10 kWh of the house and 10 kWh of the vehicle.
    expect(survivedH(year)).toBeCloseTo(20, 1);
  });
  it('as a sink takes sun that would be held back', () => {
    const wasted = (role: boolean) =>
      playOutage(
        anOutageYear({
          loads: [always(200)],
          weather: coast,
          outage: { arrays: [anArray()], vehicle: role ? { ...vehicle, role: 'sink' } : null },
        }),
        180 * 1440,
        1440,
      ).sunWastedWh;
    expect(wasted(true)).toBeLessThan(wasted(false) / 2);
  });
});

describe('a year of outages', () => {
  it('ends the same whether outages that come to be alike are merged or not', () => {
    const year = anOutageYear({
      loads: [
        always(700, { dutyCycle: 0.5, cyclesPerHour: 2 }),
        always(300, { id: 'light', use: allSeasons({ nightH: 1, morningH: 1, dayH: 0, eveningH: 5 }) }),
      ],
      weather: coast,
      outage: { arrays: [anArray()] },
    });
    const horizonMin = daysH(4);
    const plan = outagePlan(year, 100 * 1440, windowFor(24 * 40, horizonMin));
    const merged = outageFates(plan, { hours: 24 * 40, horizonMin });
    const plain = outageFates(plan, { hours: 24 * 40, horizonMin, merge: false });
    expect([...merged.survivedMin]).toEqual([...plain.survivedMin]);
    expect([...merged.cause]).toEqual([...plain.cause]);
    expect(merged.steppedMin).toBeLessThan(plain.steppedMin / 2);
    // One of them, played by itself.
    const hour = 333;
    expect(
      Math.min(horizonMin, playOutage(year, 100 * 1440 + hour * 60, horizonMin).survivedMin),
    ).toBeCloseTo(merged.survivedMin[hour]!, 2);
  });

  it('ends the same whether whole hours are passed in one step or minute by minute', () => {
    fc.assert(
      fc.property(
        arbitraryYear,
        fc.integer({ min: 0, max: 340 }),
        fc.boolean(),
        fc.double({ min: 0.2, max: 0.8, noNaN: true }),
        (of, day, sheds, share) => {
          const shedding = {
            ...of,
            thresholdsWh: Float64Array.of(share * of.hardware.usableWh),
            house: {
              ...of.house,
              thresholds: [share],
              loads: of.house.loads.map((load, i) =>
                i === 0 ? { ...load, kept: 'by-charge' as const, offFromStage: 1 } : load,
              ),
            },
          };
          const plan = outagePlan(sheds ? shedding : of, day * 1440, windowFor(48, daysH(5)));
          const play = (jumps: boolean) =>
            outageFates(plan, { hours: 48, everyH: 3, horizonMin: daysH(5), jumps });
          const [fast, slow] = [play(true), play(false)];
          expect([...fast.cause]).toEqual([...slow.cause]);
          for (const [hour, survived] of slow.survivedMin.entries()) {
            if (!Number.isNaN(survived)) expect(fast.survivedMin[hour]).toBeCloseTo(survived, 3);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('can be stopped', () => {
    const plan = outagePlan(anOutageYear({ loads: [always(500)] }), 0, windowFor(200, 2880));
    const { survivedMin } = outageFates(plan, { hours: 200, horizonMin: 2880, goOn: (share) => share < 0.4 });
    expect(Number.isNaN(survivedMin[0]!)).toBe(true);
    expect(Number.isNaN(survivedMin[199]!)).toBe(false);
  });
});
