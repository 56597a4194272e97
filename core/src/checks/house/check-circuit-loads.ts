import { isAmerican, legsOf } from '../../electric/index.js';
import {
  type Circuit,
  circuitLegSet,
  type House,
  type Load,
  type Panel,
  panelFedBy,
} from '../../house/index.js';
import { drawnA } from '../../house/details.js';
import { continuousClause } from '../../rules/index.js';
import { amps, circuitLabel, labels, type Report } from './report.js';

/** A load counts as heavy on a circuit from this share of the breaker on. */
const heavyShare = 1 / 3;
/** A breaker carries 125 % of a load that runs for three hours and more: NEC 2023, 210.20(A) (recalled). */
const continuousFactor = 1.25;

/** Each load by itself against the breaker of its circuit. */
function checkSingleLoads(house: House, circuit: Circuit, loads: readonly Load[], report: Report): void {
  const { ratingA } = circuit;
  if (ratingA === null) return;
  for (const load of loads) {
    const currentA = drawnA(house.supply.system, load);
    const clause = isAmerican(house.supply.system) ? continuousClause(load.kind) : null;
    const neededA = currentA * (clause === null ? 1 : continuousFactor);
    if (neededA <= ratingA * (1 + 1e-6)) continue;
    report(
      `load-breaker.${load.id}`,
      currentA > ratingA ? 'must-fix' : 'consider',
      [circuit],
      'A load is larger than its breaker',
      clause === null || currentA > ratingA
        ? `${load.name} draws ${amps(currentA)}; the breaker of ${circuitLabel(circuit)} is ${amps(ratingA)}.`
        : `${load.name} draws ${amps(currentA)} for hours: 125 % are ${amps(neededA)} against ${amps(ratingA)} on ${circuitLabel(circuit)} (NEC 210.20(A), ${clause}; recalled).`,
      'Check the figures of the load and the breaker; it belongs on a circuit of its own with a larger breaker and conductor.',
    );
  }
}

/** What hangs on the circuits of a panel, against their breakers and poles. */
export function checkCircuitLoads(house: House, panel: Panel, report: Report): void {
  const idle = panel.circuits.filter(
    (circuit) =>
      circuit.use === 'circuit' &&
      !circuit.backFeeds &&
      !house.loads.some(({ circuitId }) => circuitId === circuit.id) &&
      !panelFedBy(house, circuit.id),
  );
  if (idle.length > 0 && house.loads.length > 0) {
    report(
      'no-load',
      'consider',
      idle,
      idle.length === 1 ? 'A circuit without a load' : `${idle.length} circuits without a load`,
      `Nothing hangs on ${labels(idle.slice(0, 4))}${idle.length > 4 ? ` and ${idle.length - 4} more` : ''}.`,
      'Put its loads on it, or mark the breaker as a spare.',
    );
  }
  for (const circuit of panel.circuits) {
    const loads = house.loads.filter(({ circuitId }) => circuitId === circuit.id);
    const set = circuitLegSet(panel, circuit, house.supply.system);
    const narrow = loads.filter(({ legs }) => legsOf(legs).length > legsOf(set).length);
    if (narrow.length > 0) {
      report(
        `load-poles.${circuit.id}`,
        'must-fix',
        [circuit],
        'A load needs more poles than its circuit has',
        `${narrow.map(({ name, legs }) => `${name} (${legs})`).join(', ')} on ${circuitLabel(circuit)}, which is on ${set} only.`,
        'Correct the poles of the breaker or the legs of the load.',
      );
    }
    checkSingleLoads(house, circuit, loads, report);
    if (circuit.ratingA === null || loads.length < 2) continue;
    const limitA = circuit.ratingA;
    const heavy = loads
      .map((load) => ({ load, currentA: drawnA(house.supply.system, load) }))
      .filter(({ currentA }) => currentA >= heavyShare * limitA);
    const sumA = heavy.reduce((sum, { currentA }) => sum + currentA, 0);
    if (heavy.length > 1 && sumA > limitA) {
      report(
        `heavy.${circuit.id}`,
        'consider',
        [circuit],
        'Heavy loads on one circuit which together exceed it',
        `${heavy.map(({ load, currentA }) => `${load.name} ${amps(currentA)}`).join(' and ')} on ${circuitLabel(circuit)}: ${amps(sumA)} against ${amps(limitA)}.`,
        'Put one of them on another circuit, or make sure they never run together.',
      );
    }
  }
}
