import { panelUpstream } from '../../house/index.js';
import { isBehindMains, splicedPanelId } from '../../design/index.js';
import type { BackupCase } from './backup-case.js';

/** The breaker or rating the isolating device of a whole service must match, A; null = not known. */
function serviceNeedsA({ service, panels, said }: BackupCase): number | null {
  const mains = panels.flatMap(({ fedFrom, mainBreakerA }) =>
    fedFrom.kind === 'service' && mainBreakerA !== null ? [mainBreakerA] : [],
  );
  const largest = mains.length > 0 ? Math.max(...mains) : null;
  // Cut off behind its main, a panel is protected by that; the service as a whole by what is ahead of it.
  return isBehindMains(said.isolation) && largest !== null
    ? largest
    : (service.mainBreakerA ?? service.ratingA ?? largest);
}

/** What is ahead of an isolating device, by what it isolates. */
export function isolatingFacts(of: BackupCase) {
  const { plan, said, service, panels } = of;
  const subPanel =
    said.school === 'feeder' ? panels.find(({ id }) => id === splicedPanelId(said)) : undefined;
  const needsA = serviceNeedsA(of);
  const facts = {
    device: said.isolatingDevice ?? 'not chosen',
    deviceA: said.isolatingRatingA,
    serviceA: service.ratingA ?? needsA ?? 0,
    hasConsent: said.utilityConsent === true,
    hasSubPanel: subPanel !== undefined,
    subPanel: subPanel?.name ?? '',
  };
  return subPanel
    ? {
        ...facts,
        aheadA: panelUpstream(plan.survey, subPanel).breakersA[0] ?? null,
        ahead: `the feeder breaker of ${subPanel.name}`,
      }
    : { ...facts, aheadA: needsA, ahead: 'the service or its main breaker' };
}
