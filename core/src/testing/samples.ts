import * as fc from 'fast-check';
import type { Battery, Unit } from '../catalogue/unit.schema.js';
import { newJob } from '../job/new-job.js';
import type { Job } from '../job/job.schema.js';
import { blankLoad } from '../load/blank-load.js';
import { loadKinds } from '../load/load-kinds.js';
import { bases, tiers, type HoursOfUse, type Load, type Start } from '../load/load.schema.js';
import { codeLetters } from '../starting/code-letters.js';
import { systemFacts } from '../supply/legs.js';
import { supplySystems, type SupplySystem } from '../supply/supply.schema.js';

/** A load for a test: the blank one with changes. */
export function aLoad(changes: Partial<Load> = {}, system: SupplySystem = 'split-120-240'): Load {
  return { ...blankLoad('one', 'One', system, []), ...changes };
}

/** The same hours in every season. */
export function allSeasons(use: HoursOfUse): Load['use'] {
  return { winter: { ...use }, shoulder: { ...use }, summer: { ...use } };
}

export const aroundTheClock: HoursOfUse = { nightH: 8, morningH: 4, dayH: 6, eveningH: 6 };

/** A job for a test. */
export function aJob(loads: readonly Load[], changes: Partial<Job> = {}): Job {
  return { ...newJob('Test house'), loads: [...loads], ...changes };
}

/** A lithium battery without losses, so that expected values can be worked out by hand. */
export const idealBattery: Battery = {
  chemistry: 'lithium',
  nominalVoltageV: 50,
  nameplateWh: 10_000,
  usableShare: 1,
  dischargePowerW: null,
  chargePowerW: null,
  fadePerYear: 0,
  peukert: null,
};

/** A lossless split-phase battery-inverter of 10 kWh and 6 kVA. */
export const idealUnit: Unit = {
  id: 'ideal',
  name: 'Ideal',
  role: 'battery-inverter',
  summary: '',
  massKg: 100,
  inverter: {
    systems: ['split-120-240'],
    output: 'two',
    continuousVA: 6000,
    perLegVA: 3000,
    overload: [
      { apparentPowerVA: 9000, durationS: 5 },
      { apparentPowerVA: 12_000, durationS: 0.5 },
    ],
    lockedRotorA: 80,
    neutralA: 25,
    dischargeEfficiency: 1,
    charge: { powerW: 6000, efficiency: 1 },
    solar: { dcW: 12_000, acW: 8000 },
    standbyW: 0,
    transferGapMs: 20,
    voltageDroop: 0.04,
    retry: { afterS: 10, tries: 3 },
    maxParallel: 3,
    accepts: [],
  },
  battery: idealBattery,
};

const amount = (min: number, max: number) => fc.double({ min, max, noNaN: true, noDefaultInfinity: true });

export const arbitraryHours: fc.Arbitrary<HoursOfUse> = fc.record({
  nightH: amount(0, 8),
  morningH: amount(0, 4),
  dayH: amount(0, 6),
  eveningH: amount(0, 6),
});

export const arbitraryStart: fc.Arbitrary<Start> = fc.oneof(
  fc.constant<Start>({ how: 'none' }),
  fc.record({ how: fc.constant('multiple' as const), multiple: amount(1, 8), durationS: amount(0.1, 4) }),
  fc.record({ how: fc.constant('soft' as const), multiple: amount(1, 3), durationS: amount(0.1, 4) }),
  fc.record({
    how: fc.constant('lockedRotor' as const),
    lockedRotorA: amount(1, 120),
    durationS: amount(0.1, 4),
  }),
  fc.record({
    how: fc.constant('codeLetter' as const),
    letter: fc.constantFrom(...codeLetters),
    horsepower: amount(0.1, 3),
    durationS: amount(0.1, 4),
  }),
);

/** Any valid load for a supply. */
export function arbitraryLoad(system: SupplySystem): fc.Arbitrary<Load> {
  return fc.record({
    id: fc.uuid(),
    name: fc.constantFrom('Pump', 'Lights', 'Heater', 'Fan'),
    kind: fc.constantFrom(...loadKinds),
    quantity: fc.integer({ min: 1, max: 5 }),
    legs: fc.constantFrom(...systemFacts[system].legSets),
    legsAssumed: fc.boolean(),
    voltageV: fc.constant(null),
    runningPowerW: amount(0, 6000),
    powerFactor: amount(0.5, 1),
    start: arbitraryStart,
    dutyCycle: amount(0, 1),
    use: fc.record({ winter: arbitraryHours, shoulder: arbitraryHours, summer: arbitraryHours }),
    tier: fc.constantFrom(...tiers),
    inBackupSet: fc.constant(true),
    basis: fc.constantFrom(...bases),
    circuitId: fc.constant(null),
    measuredOn: fc.constant(null),
    cyclesPerHour: fc.option(amount(0.1, 20)),
    restartDelayS: fc.option(amount(0, 400)),
    note: fc.constant(''),
  });
}

export const arbitrarySystem = fc.constantFrom(...supplySystems);
