import { amps } from '../house/report.js';
import { type Report, type Case, list, namesOf, circuitsText, isKept, serviceNeedsA } from './case.js';
import { checkRating } from './check-rating.js';

export function checkService(of: Case, report: Report): void {
  const { said, service, panels, items } = of;
  const needsA = serviceNeedsA(of);
  if (said.isolatingDevice === null) {
    report(
      'device',
      'consider',
      'No isolating device chosen',
      'No path may feed the grid while islanded: the disconnection must be physical.',
      'Choose a contactor, a transfer switch, a device at the meter, or the pass-through of an in-line inverter.',
    );
  }
  checkRating(needsA, 'the service or its main breaker', of, report);
  if (said.isolatingDevice === 'at-meter') {
    if ((service.ratingA ?? needsA ?? 0) > 200) {
      report(
        'at-meter',
        'must-fix',
        'A device at the meter stops at 200 A',
        `The service is ${amps(service.ratingA ?? needsA ?? 0)} (common practice, no source).`,
        'Use a contactor or transfer switch on the house side, or split the service.',
      );
    }
    report(
      'consent',
      said.utilityConsent === true ? 'fine' : 'must-fix',
      said.utilityConsent === true
        ? 'The utility has consented'
        : 'The utility must consent to a device at its meter',
      said.utilityConsent === true ? 'Keep the letter with the papers.' : 'Nobody has said that it does.',
      'Ask before anything is ordered.',
    );
  }
  const direct = panels.filter(({ fedFrom }) => fedFrom.kind === 'service');
  if (direct.length > 1) {
    report(
      'two-mains',
      'consider',
      'Several panels hang on this service side by side',
      `${list(direct.map(({ name }) => name))}: the isolating device must sit ahead of all of them, or some stay on the grid.`,
      'Place it between the meter and the first of them, or back up one panel only.',
    );
  }
  const dark = items.filter((item) => !isKept(item) && item.loads.length > 0);
  if (dark.length > 0) {
    report(
      'dark',
      'must-fix',
      `${circuitsText(dark.length)} cannot stay dark behind this device`,
      `Everything on the service is live in the island: ${namesOf(dark)}.`,
      'Shed them by a device or by hand, or move them to a panel on the grid side.',
    );
  }
}
