import { splicedPanelId } from '../../design/index.js';
import { panelUpstream } from '../../house/index.js';
import { type Report, type Case, list, namesOf, circuitsText, isKept } from './case.js';
import { checkRating } from './check-rating.js';

export function checkFeeder(of: Case, report: Report): void {
  const { plan, said, items, panels } = of;
  const panel = panels.find(({ id }) => id === splicedPanelId(said));
  if (!panel) {
    const subs = panels.filter(({ fedFrom }) => fedFrom.kind !== 'service');
    report(
      'sub-panel',
      'must-fix',
      'No sub-panel chosen',
      subs.length === 0
        ? 'This service has no sub-panel.'
        : `There are ${list(subs.map(({ name }) => name))}.`,
      subs.length === 0
        ? 'Choose another way, or build a backed-up loads panel.'
        : 'Choose the one whose feeder is cut.',
    );
    return;
  }
  const ahead = panelUpstream(plan.survey, panel).breakersA;
  checkRating(ahead.length > 0 ? ahead[0]! : null, `the feeder breaker of ${panel.name}`, of, report);
  const outside = items.filter(
    (item) =>
      item.circuit &&
      item.panel?.id !== panel.id &&
      isKept(item) &&
      item.feeds?.id !== panel.id &&
      item.loads.length > 0,
  );
  if (outside.length > 0) {
    report(
      'outside',
      'must-fix',
      `${circuitsText(outside.length)} stay on but do not hang on ${panel.name}`,
      `${namesOf(outside)}.`,
      'Move them to the sub-panel, or let them go dark.',
    );
  }
  const dark = items.filter((item) => item.panel?.id === panel.id && !isKept(item) && item.loads.length > 0);
  if (dark.length > 0) {
    report(
      'dark',
      'must-fix',
      `${circuitsText(dark.length)} cannot stay dark on a spliced sub-panel`,
      `${namesOf(dark)}.`,
      'Shed them, or feed them from another panel.',
    );
  }
}
