import type { Circuit, Panel, Service, Survey } from './panel.schema.js';

/** What protects a panel from above: the breakers ahead of it, nearest first, A. */
export interface Upstream {
  readonly service: Service | null;
  readonly breakersA: readonly number[];
  /** The breaker in another panel that feeds this one. */
  readonly circuit: Circuit | null;
  /** The panels it is fed through, nearest first. */
  readonly panels: readonly Panel[];
}

const upstreamOf = (survey: Survey, panel: Panel, visited: ReadonlySet<string>): Upstream => {
  const own = panel.feeder.breakerA === null ? [] : [panel.feeder.breakerA];
  const { fedFrom } = panel;
  if (visited.has(panel.id)) return { service: null, breakersA: own, circuit: null, panels: [] };
  const seen = new Set([...visited, panel.id]);
  switch (fedFrom.kind) {
    case 'service': {
      const service = survey.services.find(({ id }) => id === fedFrom.serviceId) ?? null;
      const main = service?.mainBreakerA ?? null;
      return { service, breakersA: main === null ? own : [...own, main], circuit: null, panels: [] };
    }
    case 'circuit': {
      const parent = survey.panels.find(({ circuits }) =>
        circuits.some(({ id }) => id === fedFrom.circuitId),
      );
      const circuit = parent?.circuits.find(({ id }) => id === fedFrom.circuitId) ?? null;
      const above = parent ? upstreamOf(survey, parent, seen) : null;
      return {
        service: above?.service ?? null,
        breakersA: circuit?.ratingA ? [...own, circuit.ratingA] : own,
        circuit,
        panels: parent && above ? [parent, ...above.panels] : [],
      };
    }
    case 'lugs': {
      const parent = survey.panels.find(({ id }) => id === fedFrom.panelId);
      if (!parent) return { service: null, breakersA: own, circuit: null, panels: [] };
      const above = upstreamOf(survey, parent, seen);
      const main = parent.mainBreakerA;
      return {
        service: above.service,
        breakersA: main === null ? [...own, ...above.breakersA] : [...own, main],
        circuit: null,
        panels: [parent, ...above.panels],
      };
    }
    case 'unknown':
      return { service: null, breakersA: own, circuit: null, panels: [] };
  }
};

/** What feeds and protects a panel. */
export const panelUpstream = (survey: Survey, panel: Panel): Upstream => upstreamOf(survey, panel, new Set());

/** True where feeding `panel` from `source` would make a loop. */
export function wouldLoop(survey: Survey, panelId: string, source: Panel['fedFrom']): boolean {
  const parentOf = (from: Panel['fedFrom']): Panel | undefined =>
    from.kind === 'circuit'
      ? survey.panels.find(({ circuits }) => circuits.some(({ id }) => id === from.circuitId))
      : from.kind === 'lugs'
        ? survey.panels.find(({ id }) => id === from.panelId)
        : undefined;
  let parent = parentOf(source);
  for (let depth = 0; parent && depth <= survey.panels.length; depth += 1) {
    if (parent.id === panelId) return true;
    parent = parentOf(parent.fedFrom);
  }
  return parent !== undefined;
}
