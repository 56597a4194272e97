import { type Conductor, conductorText, isMetricSize, systemFacts } from '../../electric/index.js';
import { type Circuit, type House, type Panel, panelUpstream } from '../../house/index.js';
import { columnOf, largestBreakerA } from '../../rules/index.js';
import type { Subject } from '../../rules/packs.js';
import { circuitLabel, namedCircuits } from './circuit-texts.js';

interface Held {
  readonly conductor: Conductor;
  /** Rating of the breaker ahead, A. */
  readonly ratingA: number;
  readonly loaded: 2 | 3;
  readonly wholeDwelling: boolean;
}

/** A breaker against a conductor: what it takes, and what it would take if cable and terminals turn out to be marked for 75 °C. */
function conductorFacts(
  what: string,
  circuits: readonly Circuit[],
  { conductor, ratingA, loaded, wholeDwelling }: Held,
) {
  const columnC = columnOf(conductor, ratingA);
  const takesA = largestBreakerA(conductor, { columnC, loaded }, wholeDwelling);
  const isMetric = isMetricSize(conductor.size);
  const isGuess = !isMetric && conductor.ratedC === null && columnC === 60;
  return {
    what,
    circuit: namedCircuits(circuits),
    size: conductorText(conductor),
    isMetric,
    ratingA,
    inTable: takesA !== null,
    takesA,
    isGuess,
    takesMarkedA: isGuess ? largestBreakerA(conductor, { columnC: 75, loaded }, wholeDwelling) : null,
    column: isMetric
      ? `with ${loaded === 3 ? 'three' : 'two'} loaded conductors`
      : `from the ${columnC} °C column${wholeDwelling ? ', as the one feeder of a dwelling' : ''}`,
  };
}

/** The conductor of a circuit against its breaker; null where one of them is not known. */
export function circuitConductor(panel: Panel, circuit: Circuit): Subject<'circuit-conductor'> | null {
  const { conductor, ratingA, spaces, id } = circuit;
  if (!conductor || ratingA === null) return null;
  const what = circuitLabel(circuit);
  return {
    kind: 'circuit-conductor',
    keyBefore: `panel.${panel.id}`,
    keyAfter: id,
    name: what,
    about: panel.id,
    facts: conductorFacts(what, [circuit], {
      conductor,
      ratingA,
      loaded: spaces.length === 3 ? 3 : 2,
      wholeDwelling: false,
    }),
  };
}

/** The feeder of a panel against the breaker ahead of it; null where one of them is not known. */
export function feederConductor(house: House, panel: Panel): Subject<'feeder-conductor'> | null {
  const { breakersA, circuit } = panelUpstream(house.survey, panel);
  const { conductor } = panel.feeder;
  if (!conductor || breakersA.length === 0) return null;
  // The one panel behind a service carries the whole dwelling; of several, each carries a part of it.
  const serviceOf = ({ fedFrom }: Panel): string | null =>
    fedFrom.kind === 'service' ? fedFrom.serviceId : null;
  const serviceId = serviceOf(panel);
  const isAlone =
    serviceId !== null && house.survey.panels.filter((one) => serviceOf(one) === serviceId).length === 1;
  const what = `Feeder of ${panel.name}`;
  return {
    kind: 'feeder-conductor',
    keyBefore: `panel.${panel.id}`,
    keyAfter: '',
    name: what,
    about: panel.id,
    facts: conductorFacts(what, panel.fedFrom.kind === 'circuit' && circuit ? [circuit] : [], {
      conductor,
      ratingA: Math.min(...breakersA),
      loaded: systemFacts[house.supply.system].legs.length === 3 && circuit?.spaces.length !== 1 ? 3 : 2,
      wholeDwelling: isAlone,
    }),
  };
}
