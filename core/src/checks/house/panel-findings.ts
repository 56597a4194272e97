import { type Finding, placeWord } from '../../base/index.js';
import { systemFacts } from '../../electric/index.js';
import { checkCircuitConductors, checkFeederConductor } from './check-conductors.js';
import { checkCircuitLoads } from './check-circuit-loads.js';
import { amps, labels, circuitLabel as label, type Report } from './report.js';
import { type Circuit, circuitLegs, type House, type Panel, panelUpstream } from '../../house/index.js';
import { occupiedSpaces } from '../../house/details.js';

/** A finding about a panel and some of its circuits. */
export interface PanelFinding extends Finding {
  readonly panelId: string;
  readonly circuitIds: readonly string[];
}

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
        `More than one bond of neutral and ${placeWord('earth')}`,
        `${bonded.map(({ name }) => name).join(' and ')} are both bonded: neutral current then flows in the ${placeWord('earth-conductors')}.`,
        `Keep one bond, at the service; separate neutrals and ${placeWord('earths')} in every panel below it.`,
      );
    }
    if (serviceId !== '' && panels.every((panel) => panel.bonded === false)) {
      add(
        panels[0]!,
        'no-bond',
        'consider',
        [],
        `No bond of neutral and ${placeWord('earth')} was found`,
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
    checkCircuitConductors(panel, report);
    checkFeederConductor(house, panel, report);
    checkFeeder(house, panel, report);
    checkFamily(panel, report);
    checkCircuitLoads(house, panel, report);
  }
  checkBonds(house, add);
  return found;
}
