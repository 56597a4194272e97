import { circuitsById, panelUpstream, type SurveyedHouse } from '../../house/index.js';
import type { Sources } from './sources.schema.js';

/**
 * Ids of the loads that whoever starts the generator switches off for as long as it runs: those on a circuit that is named for
 * it, and on everything such a circuit feeds. One that starts by itself has nobody beside it.
 */
export function offWhileItRuns({
  survey,
  loads,
  sources,
}: Pick<SurveyedHouse, 'survey' | 'loads'> & { readonly sources: Sources }): Set<string> {
  const { generator } = sources;
  if (generator?.start !== 'hand' || generator.offWhileItRuns.length === 0) return new Set();
  const off = new Set(generator.offWhileItRuns.map(({ circuitId }) => circuitId));
  const places = circuitsById(survey);
  const isOff = (circuitId: string): boolean => {
    if (off.has(circuitId)) return true;
    const panel = places.get(circuitId)?.panel;
    if (!panel) return false;
    const { panels } = panelUpstream(survey, panel);
    return [panel, ...panels].some((one) => off.has(panelUpstream(survey, one).circuit?.id ?? ''));
  };
  return new Set(loads.filter(({ circuitId }) => circuitId !== null && isOff(circuitId)).map(({ id }) => id));
}
