import { plainQuantityText } from '../../base/index.js';
import { isAmerican, legsOf, systemFacts } from '../../electric/index.js';
import {
  type Circuit,
  circuitLegs,
  circuitLegSet,
  type House,
  type Load,
  type Panel,
} from '../../house/index.js';
import { drawnA } from '../../house/details.js';
import { continuousClause } from '../../rules/index.js';
import type { Subject } from '../../rules/packs.js';
import { circuitLabel, namedCircuits } from './circuit-texts.js';

/** A load counts as heavy on a circuit from this share of the breaker on. */
const heavyShare = 1 / 3;

/** What is known of a circuit and what hangs on it. */
export function circuitSubject(
  { supply }: House,
  panel: Panel,
  circuit: Circuit,
  loads: readonly Load[],
): Subject<'circuit'> {
  const legs = circuitLegs(panel, circuit, supply.system);
  const set = circuitLegSet(panel, circuit, supply.system);
  const facts = systemFacts[supply.system];
  const { ratingA } = circuit;
  const heavy =
    ratingA === null || loads.length < 2
      ? []
      : loads
          .map((load) => ({ load, currentA: drawnA(supply.system, load) }))
          .filter(({ currentA }) => currentA >= heavyShare * ratingA);
  const narrow = loads.filter((load) => legsOf(load.legs).length > legsOf(set).length);
  return {
    kind: 'circuit',
    keyBefore: `panel.${panel.id}`,
    keyAfter: circuit.id,
    name: circuitLabel(circuit),
    about: panel.id,
    facts: {
      name: circuitLabel(circuit),
      circuit: namedCircuits([circuit]),
      poles: circuit.spaces.length,
      reached: legs.length,
      reachedLegs: legs.join(' and '),
      severalLegs: facts.legs.length > 1,
      ratingA,
      narrow: {
        names: narrow.map((load) => `${load.name} (${load.legs})`).join(', '),
        ids: narrow.map(({ id }) => id),
      },
      legs: set,
      heavy: {
        names: heavy
          .map(({ load, currentA }) => `${load.name} ${plainQuantityText(currentA, 'A')}`)
          .join(' and '),
        ids: heavy.map(({ load }) => load.id),
      },
      heavyA: heavy.reduce((sum, { currentA }) => sum + currentA, 0),
      voltageV: facts.legVoltageV,
    },
  };
}

/** Each load of a circuit by itself against its breaker. */
export function loadSubjects(
  { supply }: House,
  panel: Panel,
  circuit: Circuit,
  loads: readonly Load[],
  continuousFactor: number,
): Subject<'load'>[] {
  return loads.map((load) => {
    const currentA = drawnA(supply.system, load);
    const clause = isAmerican(supply.system) ? continuousClause(load.kind) : null;
    return {
      kind: 'load',
      keyBefore: `panel.${panel.id}`,
      keyAfter: load.id,
      name: load.name,
      about: panel.id,
      facts: {
        name: load.name,
        circuit: namedCircuits([circuit]),
        drawnA: currentA,
        neededA: currentA * (clause === null ? 1 : continuousFactor),
        ratingA: circuit.ratingA,
        isContinuous: clause !== null,
        clause: clause ?? '',
      },
    };
  });
}
