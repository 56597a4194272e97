import { quantityText } from '../../base/index.js';
import { systemFacts } from '../../electric/index.js';
import { connectedVA } from '../../house/details.js';
import { amps } from '../house/report.js';
import { type Report, type Case, namesOf, circuitsText, isKept } from './case.js';

export function checkLoadsPanel(of: Case, report: Report): void {
  const { said, items, plan } = of;
  // What is behind a feeder comes along with it.
  const behind = new Set(items.flatMap(({ feeds }) => feeds?.circuits.map(({ id }) => id) ?? []));
  const moved = items.filter((item) => item.circuit && isKept(item) && !behind.has(item.id));
  const spaces = moved.reduce((sum, { circuit }) => sum + circuit!.spaces.length, 0);
  const has = said.newPanelSpaces;
  report(
    'spaces',
    has === null ? 'consider' : spaces > has ? 'must-fix' : 'fine',
    has === null
      ? `The new panel needs ${spaces} spaces`
      : spaces > has
        ? 'The new panel is too small'
        : 'The new panel holds what moves',
    `${circuitsText(moved.length)} with ${spaces} poles move${has === null ? '' : `; it has ${has} spaces`}.`,
    has === null
      ? 'Choose a panel, with some spaces spare.'
      : 'Take a larger panel, or leave a circuit where it is.',
  );
  const distanceM = said.newPanelDistanceM;
  report(
    'extend',
    distanceM === null && moved.length > 0 ? 'consider' : 'fine',
    `${circuitsText(moved.length)} to extend to the new panel`,
    distanceM === null
      ? 'The distance between the panels is not entered.'
      : `About ${quantityText(distanceM, 'm', plan.site.units)} each, ${quantityText(distanceM * moved.length, 'm', plan.site.units)} of cable in all: ${namesOf(moved)}.`,
    distanceM === null
      ? 'Enter the distance between the panels; splices need a box that stays accessible.'
      : 'Splices need a box that stays accessible.',
  );
  const partly = items.filter(
    ({ feeds, ...item }) =>
      feeds !== null &&
      isKept({ feeds, ...item }) &&
      items.some((below) => below.panel?.id === feeds.id && !isKept(below) && below.loads.length > 0),
  );
  if (partly.length > 0) {
    report(
      'partly',
      'consider',
      'A sub-panel moves as a whole',
      `${namesOf(partly)}: its dark circuits are live too, once its feeder hangs on the new panel.`,
      'Switch them off by hand, shed them, or feed them from the old panel.',
    );
  }
  const { system } = plan.supply;
  const { legs, legVoltageV } = systemFacts[system];
  const loads = items.filter(isKept).flatMap((item) => item.loads);
  const allA = connectedVA(loads) / (legs.length * legVoltageV);
  checkPassThrough(allA, of, report);
}

function checkPassThrough(allA: number, of: Case, report: Report): void {
  const isA = of.said.isolatingRatingA;
  const text = `All that hangs on it draws ${amps(allA)} a leg when it runs together`;
  if (isA === null) {
    report(
      'rating',
      'consider',
      'Rating of the pass-through not settled',
      `${text}.`,
      'Enter it; the breaker ahead of it must not be larger.',
    );
    return;
  }
  report(
    'rating',
    allA > isA ? 'must-fix' : 'fine',
    allA > isA
      ? 'The pass-through is too small for the circuits behind it'
      : 'The pass-through carries the circuits behind it',
    `${text}; it is rated ${amps(isA)}.`,
    'Choose a larger transfer, or move fewer circuits. The breaker ahead of it must not be larger than its rating.',
  );
}
