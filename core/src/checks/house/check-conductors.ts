import { type Conductor, conductorText, isMetricSize, systemFacts } from '../../electric/index.js';
import { type Circuit, type House, type Panel, panelUpstream } from '../../house/index.js';
import { columnOf, largestBreakerA } from '../../rules/index.js';
import { amps, circuitLabel, type Report } from './report.js';

interface Held {
  readonly conductor: Conductor;
  /** Rating of the breaker ahead, A. */
  readonly ratingA: number;
  readonly loaded: 2 | 3;
  readonly wholeDwelling: boolean;
}

type Verdict =
  | { readonly holds: true }
  /** `mostA` is null where the table has no such conductor. */
  | {
      readonly holds: false;
      readonly mostA: number | null;
      readonly mostMarkedA: number | null;
      readonly how: string;
    };

/** Does a breaker suit a conductor, and would it if cable and terminals turn out to be marked for 75 °C? */
function judge({ conductor, ratingA, loaded, wholeDwelling }: Held): Verdict {
  const columnC = columnOf(conductor, ratingA);
  const mostA = largestBreakerA(conductor, { columnC, loaded }, wholeDwelling);
  if (mostA !== null && ratingA <= mostA) return { holds: true };
  const isMetric = isMetricSize(conductor.size);
  const isGuess = !isMetric && conductor.ratedC === null && columnC === 60;
  return {
    holds: false,
    mostA,
    mostMarkedA: isGuess ? largestBreakerA(conductor, { columnC: 75, loaded }, wholeDwelling) : null,
    how: isMetric
      ? `with ${loaded === 3 ? 'three' : 'two'} loaded conductors; IEC 60364-5-52, recalled`
      : `from the ${columnC} °C column; NEC 310.16, 240.4, 110.14(C)${wholeDwelling ? ', 310.12' : ''}, recalled`,
  };
}

/** Reports a conductor that its breaker does not protect; only to be looked at where marked terminals would settle it. */
function reportOn(
  held: Held,
  [key, circuits, what, title]: readonly [
    key: string,
    circuits: readonly Circuit[],
    what: string,
    title: string,
  ],
  report: Report,
): void {
  const verdict = judge(held);
  if (verdict.holds) return;
  const { mostA, mostMarkedA, how } = verdict;
  const size = conductorText(held.conductor);
  if (mostA === null) {
    report(key, 'must-fix', circuits, title, `${what}: the table has no ${size}.`, 'Check the conductor.');
    return;
  }
  const because = `${what}: ${amps(held.ratingA)} on ${size}, which takes at most ${amps(mostA)} (${how}).`;
  const rest = 'Motors and other special circuits have rules of their own; defer to the local code.';
  if (mostMarkedA !== null && held.ratingA <= mostMarkedA) {
    report(
      key,
      'consider',
      circuits,
      `${title}, unless cable and terminals are marked 75 °C`,
      `${because} With both marked 75 °C it takes ${amps(mostMarkedA)}.`,
      `Look at terminals and cable, and enter it with the conductor; cable of type NM always counts for 60 °C. ${rest}`,
    );
    return;
  }
  report(key, 'must-fix', circuits, title, because, `Check the conductor, or fit a smaller breaker. ${rest}`);
}

/** Every breaker against the conductor behind it. */
export function checkCircuitConductors(panel: Panel, report: Report): void {
  for (const circuit of panel.circuits) {
    const { conductor, ratingA, spaces } = circuit;
    if (!conductor || ratingA === null) continue;
    reportOn(
      { conductor, ratingA, loaded: spaces.length === 3 ? 3 : 2, wholeDwelling: false },
      [
        `conductor.${circuit.id}`,
        [circuit],
        circuitLabel(circuit),
        'A breaker is larger than its conductor allows',
      ],
      report,
    );
  }
}

/** The feeder of a panel against the breaker ahead of it. */
export function checkFeederConductor(house: House, panel: Panel, report: Report): void {
  const { breakersA, circuit } = panelUpstream(house.survey, panel);
  const { conductor } = panel.feeder;
  if (!conductor || breakersA.length === 0) return;
  // The one panel behind a service carries the whole dwelling; of several, each carries a part of it.
  const serviceOf = ({ fedFrom }: Panel): string | null =>
    fedFrom.kind === 'service' ? fedFrom.serviceId : null;
  const serviceId = serviceOf(panel);
  const isAlone =
    serviceId !== null && house.survey.panels.filter((one) => serviceOf(one) === serviceId).length === 1;
  reportOn(
    {
      conductor,
      ratingA: Math.min(...breakersA),
      loaded: systemFacts[house.supply.system].legs.length === 3 && circuit?.spaces.length !== 1 ? 3 : 2,
      wholeDwelling: isAlone,
    },
    [
      'feeder',
      circuit ? [circuit] : [],
      `Feeder of ${panel.name}`,
      'The feeder is thinner than its breaker allows',
    ],
    report,
  );
}
