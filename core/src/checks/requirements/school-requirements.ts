import type { Finding } from '../../base/index.js';
import type { Stack } from '../../equipment/index.js';
import { panelUpstream, type Service } from '../../house/index.js';
import {
  benchItems,
  isBehindMains,
  type Island,
  type Plan,
  schoolFacts,
  serviceBackup,
} from '../../design/index.js';
import type { DemandContext } from '../../study/index.js';
import { type Report, type Case, namesOf, circuitsText, isKept } from './case.js';
import { checkBond } from './check-bond.js';
import { checkControl } from './check-control.js';
import { checkFeeder } from './check-feeder.js';
import { checkJoin } from './check-join.js';
import { checkLoadsPanel } from './check-loads-panel.js';
import { checkService } from './check-service.js';
import { checkSolar } from './check-solar.js';
import { checkTransfer } from './check-transfer.js';

/**
 * What the chosen way of backing up a service requires, and whether it is met: "fine" where it is.
 *
 * @param islands those of the job
 * @param context of the island that is shown
 * @param shown that island; a service of another one is judged without a stack
 * @param stack the stack selected for it
 */
export function schoolRequirements(
  plan: Plan,
  service: Service,
  islands: readonly Island[],
  context: DemandContext,
  shown: Island | null,
  stack: Stack | null,
): Finding[] {
  const found: Finding[] = [];
  const report: Report = (key, severity, title, because, cure = '') => {
    found.push({ key: `backup.${service.id}.${key}`, severity, title, because, cure, figures: [] });
  };
  const all = plan.survey.panels.filter(
    (panel) => panelUpstream(plan.survey, panel).service?.id === service.id,
  );
  // A service of several mains may be in several islands. One that is not backed up is in none, but its circuits are there.
  const mine = islands.filter(({ services }) => services.includes(service));
  const own = mine.find(({ id }) => id === shown?.id) ??
    mine[0] ?? {
      id: service.id,
      name: service.name,
      services: [service],
      panels: all,
      first: false,
    };
  // Behind single mains, what the others feed is not its matter.
  const said = serviceBackup(plan, service.id);
  const panels = isBehindMains(said.isolation) ? all.filter((panel) => own.panels.includes(panel)) : all;
  const ids = new Set(panels.map(({ id }) => id));
  const of: Case = {
    plan,
    service,
    said,
    island: own,
    panels,
    items: benchItems(plan, own).filter(({ panel }) => panel !== null && ids.has(panel.id)),
    context,
    stack: own.id === shown?.id ? stack : null,
  };
  const { school } = of.said;
  if (school === null) {
    report(
      'school',
      'consider',
      'Not settled how this service is backed up',
      'Until then the circuits that stay on are taken as moved behind the source one by one.',
      'Choose one of the ways below.',
    );
    return found;
  }
  if (school === 'none') {
    const wanted = of.items.filter((item) => isKept(item) && item.loads.length > 0);
    if (wanted.length > 0) {
      report(
        'none',
        'must-fix',
        `${circuitsText(wanted.length)} should stay on, but the service is not backed up`,
        `${namesOf(wanted)}.`,
        'Choose how the service is backed up, or let them go dark.',
      );
    }
    return found;
  }
  const { covers } = schoolFacts[school];
  if (covers === 'service') checkService(of, report);
  if (school === 'controlled') checkControl(of, report);
  if (school === 'loads-panel') checkLoadsPanel(of, report);
  if (school === 'feeder') checkFeeder(of, report);
  checkTransfer(of, report);
  checkSolar(of, report);
  checkBond(of, report);
  checkJoin(of, report);
  return found;
}
