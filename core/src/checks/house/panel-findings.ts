import { type Finding, quantityText } from '../../base/index.js';
import { conductorText, largestBreakerA, legsOf, supplyVoltageV, systemFacts } from '../../electric/index.js';
import {
  type Circuit,
  circuitLegs,
  circuitLegSet,
  type House,
  occupiedSpaces,
  type Panel,
  panelFedBy,
  panelUpstream,
  runningPowerVA,
  spacesText,
} from '../../house/index.js';

/** A finding about a panel and some of its circuits. */
export interface PanelFinding extends Finding {
  readonly panelId: string;
  readonly circuitIds: readonly string[];
}

type Report = (
  key: string,
  severity: Finding['severity'],
  circuits: readonly Circuit[],
  title: string,
  because: string,
  cure: string,
) => void;

/** A load counts as heavy on a circuit from this share of the breaker on. */
const heavyShare = 1 / 3;

const label = (circuit: Circuit): string =>
  `${spacesText(circuit)} ${circuit.name === '' ? `(${circuit.use})` : circuit.name}`;
const labels = (circuits: readonly Circuit[]): string => circuits.map(label).join('; ');
const amps = (value: number): string => quantityText(value, 'A').replace('\u202f', ' ');

function checkSpaces(panel: Panel, report: Report): void {
  const outside = panel.circuits.filter(({ spaces }) => spaces.some((space) => space > panel.spaces));
  if (outside.length > 0) {
    report(
      'outside',
      'must-fix',
      outside,
      'A breaker sits in a space the panel does not have',
      `${labels(outside)}: the panel has ${panel.spaces} spaces.`,
      'Correct the number of spaces of the panel, or move the breaker.',
    );
  }
  const twice = [...occupiedSpaces(panel)].filter(([, circuits]) => circuits.length > 1);
  const crowded = [...new Set(twice.flatMap(([, circuits]) => circuits))];
  if (crowded.length > 0) {
    report(
      'overfilled',
      'must-fix',
      crowded,
      'Two breakers in one space',
      `${labels(crowded)} overlap.`,
      'Move one of them, or enter them as the two halves of a tandem.',
    );
  }
}

function checkPoles(house: House, panel: Panel, report: Report): void {
  const { system } = house.supply;
  if (systemFacts[system].legs.length < 2) return;
  for (const circuit of panel.circuits) {
    const legs = circuitLegs(panel, circuit, system);
    if (circuit.spaces.length > legs.length) {
      report(
        `one-leg.${circuit.id}`,
        'must-fix',
        [circuit],
        `A ${circuit.spaces.length}-pole breaker reaches only ${legs.join(' and ')}`,
        `${label(circuit)}: its poles sit on spaces of the same leg, so there is no line voltage between them.`,
        'Read the legend again: poles sit one below the other. Correct the spaces, the numbering, or the leg of the first space.',
      );
    }
  }
}

function checkNeutrals(house: House, panel: Panel, report: Report): void {
  const groups = new Map<string, Circuit[]>();
  for (const circuit of panel.circuits) {
    if (circuit.neutralGroup === '') continue;
    groups.set(circuit.neutralGroup, [...(groups.get(circuit.neutralGroup) ?? []), circuit]);
  }
  for (const [mark, circuits] of groups) {
    const legs = circuits.flatMap((circuit) => circuitLegs(panel, circuit, house.supply.system));
    if (new Set(legs).size < legs.length) {
      report(
        `neutral-clash.${mark}`,
        'must-fix',
        circuits,
        'A shared neutral returns the sum of two circuits on one leg',
        `${labels(circuits)} share neutral ${mark}, and two of them are on the same leg: their currents add in the neutral instead of cancelling.`,
        'Move one of them to the other leg, or give each its own neutral.',
      );
    } else if (circuits.length < 2) {
      report(
        `neutral-alone.${mark}`,
        'consider',
        circuits,
        'A shared neutral with one circuit only',
        `${labels(circuits)} is marked ${mark}, but no other circuit is.`,
        'Mark the circuit it shares its neutral with, or remove the mark.',
      );
    } else if (circuits.some(({ handleTie, spaces }) => !handleTie && spaces.length === 1)) {
      report(
        `neutral-tie.${mark}`,
        'must-fix',
        circuits,
        'Circuits that share a neutral do not open together',
        `${labels(circuits)} share neutral ${mark} without a handle tie (NEC 210.4(B), recalled).`,
        'Fit a handle tie or a multi-pole breaker.',
      );
    }
  }
}

function checkConductors(panel: Panel, report: Report): void {
  for (const circuit of panel.circuits) {
    if (!circuit.conductor || circuit.ratingA === null) continue;
    const mostA = largestBreakerA(circuit.conductor);
    if (mostA !== null && circuit.ratingA <= mostA) continue;
    report(
      `conductor.${circuit.id}`,
      'must-fix',
      [circuit],
      'A breaker is larger than its conductor allows',
      mostA === null
        ? `${label(circuit)}: the table has no ${conductorText(circuit.conductor)}.`
        : `${label(circuit)}: ${amps(circuit.ratingA)} on ${conductorText(circuit.conductor)}, which takes at most ${amps(mostA)} (NEC 310.16, 240.4, or IEC 60364-5-52; recalled).`,
      'Check the conductor. Motors and other special circuits have rules of their own; defer to the local code.',
    );
  }
}

function checkFamily(panel: Panel, report: Report): void {
  if (panel.family === '') return;
  const strangers = panel.circuits.filter(
    ({ family }) => family !== '' && family.toLowerCase() !== panel.family.toLowerCase(),
  );
  if (strangers.length === 0) return;
  report(
    'family',
    'must-fix',
    strangers,
    'A breaker of a family the panel is not listed for',
    `${strangers.map((circuit) => `${label(circuit)} is ${circuit.family}`).join('; ')}; the panel is listed for ${panel.family}.`,
    'Replace it by a breaker the panel is listed for.',
  );
}

function checkLoads(house: House, panel: Panel, report: Report): void {
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
        `${narrow.map(({ name, legs }) => `${name} (${legs})`).join(', ')} on ${label(circuit)}, which is on ${set} only.`,
        'Correct the poles of the breaker or the legs of the load.',
      );
    }
    if (circuit.ratingA === null || loads.length < 2) continue;
    const drawn = loads.map((load) => ({
      load,
      currentA:
        (load.quantity * runningPowerVA(load)) /
        (load.voltageV ?? supplyVoltageV(house.supply.system, load.legs)),
    }));
    const limitA = circuit.ratingA;
    const heavy = drawn.filter(({ currentA }) => currentA >= heavyShare * limitA);
    const sumA = heavy.reduce((sum, { currentA }) => sum + currentA, 0);
    if (heavy.length > 1 && sumA > limitA) {
      report(
        `heavy.${circuit.id}`,
        'consider',
        [circuit],
        'Heavy loads on one circuit which together exceed it',
        `${heavy.map(({ load, currentA }) => `${load.name} ${amps(currentA)}`).join(' and ')} on ${label(circuit)}: ${amps(sumA)} against ${amps(limitA)}.`,
        'Put one of them on another circuit, or make sure they never run together.',
      );
    }
  }
}

function checkFeeder(house: House, panel: Panel, report: Report): void {
  const { service, breakersA, circuit } = panelUpstream(house.survey, panel);
  const ahead = breakersA.length > 0 ? Math.min(...breakersA) : null;
  const protectingA =
    panel.mainBreakerA === null
      ? ahead
      : ahead === null
        ? panel.mainBreakerA
        : Math.min(ahead, panel.mainBreakerA);
  if (panel.busRatingA !== null && protectingA !== null && protectingA > panel.busRatingA) {
    report(
      'bus',
      'must-fix',
      circuit ? [circuit] : [],
      'The panel is rated below its feeder',
      `The bus is rated ${amps(panel.busRatingA)}, the breaker that protects it ${amps(protectingA)} (NEC 408.36, recalled).`,
      'Fit a main breaker of at most the bus rating, or a smaller feeder breaker.',
    );
  }
  if (panel.busRatingA !== null && protectingA === null && panel.fedFrom.kind === 'service') {
    report(
      'no-main',
      'consider',
      [],
      'Nothing protects the bus',
      `${panel.name} has lugs only, and no breaker ahead of it is entered.`,
      'Enter the breaker at the service or ahead of the panel.',
    );
  }
  const { conductor } = panel.feeder;
  if (conductor && ahead !== null) {
    const mostA = largestBreakerA(conductor, panel.fedFrom.kind === 'service');
    if (mostA !== null && ahead > mostA) {
      report(
        'feeder',
        'must-fix',
        circuit ? [circuit] : [],
        'The feeder is thinner than its breaker allows',
        `${conductorText(conductor)} takes at most ${amps(mostA)}; the breaker ahead of it is ${amps(ahead)} (NEC 310.16, 310.12, 240.4; recalled).`,
        'Check the conductor, or fit a smaller breaker.',
      );
    }
  }
  if (
    panel.fedFrom.kind === 'service' &&
    service &&
    service.ratingA !== null &&
    panel.mainBreakerA !== null &&
    panel.mainBreakerA > service.ratingA
  ) {
    report(
      'service',
      'consider',
      [],
      'The main breaker is larger than the service',
      `Main breaker ${amps(panel.mainBreakerA)}, service ${amps(service.ratingA)}.`,
      'Check both ratings.',
    );
  }
}

/** Neutral and earth may meet in one place of a service only. */
function checkBonds(house: House, add: (panel: Panel, ...finding: Parameters<Report>) => void): void {
  const { survey } = house;
  const byService = new Map<string, Panel[]>();
  for (const panel of survey.panels) {
    const service = panelUpstream(survey, panel).service?.id ?? '';
    byService.set(service, [...(byService.get(service) ?? []), panel]);
  }
  for (const [serviceId, panels] of byService) {
    const bonded = panels.filter((panel) => panel.bonded === true);
    // Two mains behind one meter may each be bonded: each is a service disconnect of its own.
    const below = bonded.filter(({ fedFrom }) => fedFrom.kind !== 'service');
    const surplus = below.length > 0 && bonded.length > 1 ? below : [];
    for (const panel of surplus) {
      add(
        panel,
        'bonds',
        'must-fix',
        [],
        'More than one bond of neutral and earth',
        `${bonded.map(({ name }) => name).join(' and ')} are both bonded: neutral current then flows in the earth conductors.`,
        'Keep one bond, at the service; separate neutrals and earths in every panel below it.',
      );
    }
    if (serviceId !== '' && panels.every((panel) => panel.bonded === false)) {
      add(
        panels[0]!,
        'no-bond',
        'consider',
        [],
        'No bond of neutral and earth was found',
        'Every panel of this service is entered as not bonded. The bond may sit in the meter or its disconnect.',
        'Find it: exactly one bond must exist in every operating state.',
      );
    }
  }
}

/** What the survey gives reason to say about its panels; in the order of the panels. */
export function panelFindings(house: House): PanelFinding[] {
  const found: PanelFinding[] = [];
  const add = (
    panel: Panel,
    ...[key, severity, circuits, title, because, cure]: Parameters<Report>
  ): void => {
    found.push({
      key: `panel.${panel.id}.${key}`,
      panelId: panel.id,
      circuitIds: circuits.map(({ id }) => id),
      severity,
      title,
      because,
      cure,
      figures: [],
    });
  };
  for (const panel of house.survey.panels) {
    const report: Report = (...finding) => add(panel, ...finding);
    checkSpaces(panel, report);
    checkPoles(house, panel, report);
    checkNeutrals(house, panel, report);
    checkConductors(panel, report);
    checkFeeder(house, panel, report);
    checkFamily(panel, report);
    checkLoads(house, panel, report);
  }
  checkBonds(house, add);
  return found;
}
