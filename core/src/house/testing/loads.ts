import * as fc from 'fast-check';
import { codeLetters, type SupplySystem, supplySystems, systemFacts } from '../../electric/index.js';
import { blankLoad } from '../loads/blank-load.js';
import { loadKinds } from '../loads/load-kinds.js';
import { bases, tiers, type HoursOfUse, type Load, type Start } from '../loads/load.schema.js';

/** A load for a test: the blank one with changes. */
export function aLoad(changes: Partial<Load> = {}, system: SupplySystem = 'split-120-240'): Load {
  return { ...blankLoad('one', 'One', system, []), ...changes };
}

/** The same hours in every season. */
export function allSeasons(use: HoursOfUse): Load['use'] {
  return { winter: { ...use }, shoulder: { ...use }, summer: { ...use } };
}

export const aroundTheClock: HoursOfUse = { nightH: 8, morningH: 4, dayH: 6, eveningH: 6 };

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
    basis: fc.constantFrom(...bases),
    circuitId: fc.constant(null),
    measuredOn: fc.constant(null),
    cyclesPerHour: fc.option(amount(0.1, 20)),
    restartDelayS: fc.option(amount(0, 400)),
    stormFactor: fc.option(amount(1, 8)),
    surplusOnly: fc.boolean(),
    note: fc.constant(''),
  });
}

export const arbitrarySystem = fc.constantFrom(...supplySystems);
