import { settleLegs, settlePhotos, settleRating, settleRest } from '../../house/index.js';
import { settleBackup } from '../backup/settle-backup.js';
import { settlePlacement } from '../placement/settle-placement.js';
import type { Plan } from './plan.js';
import { settleTariffs } from './settle-tariffs.js';

/** Takes sources off circuits that are gone. */
function settleSources<P extends Plan>(plan: P): P {
  const { arrays, generator, vehicle } = plan.sources;
  const circuits = new Set(plan.survey.panels.flatMap((panel) => panel.circuits.map(({ id }) => id)));
  const isLost = (source: { readonly circuitId: string | null } | null): boolean =>
    source !== null && source.circuitId !== null && !circuits.has(source.circuitId);
  const isThere = ({ circuitId }: { readonly circuitId: string }): boolean => circuits.has(circuitId);
  const lists = [...arrays.map(({ moreCircuits }) => moreCircuits), generator?.offWhileItRuns ?? []];
  if (lists.every((list) => list.every(isThere)) && ![...arrays, generator, vehicle].some(isLost))
    return plan;
  const settled = <S extends { readonly circuitId: string | null }>(source: S): S =>
    isLost(source) ? { ...source, circuitId: null } : source;
  return {
    ...plan,
    sources: {
      ...plan.sources,
      arrays: arrays.map((array) => ({
        ...settled(array),
        moreCircuits: array.moreCircuits.filter(isThere),
      })),
      generator: generator && {
        ...settled(generator),
        offWhileItRuns: generator.offWhileItRuns.filter(isThere),
      },
      vehicle: vehicle && settled(vehicle),
    },
  };
}

/**
 * The plan with what follows from other parts of it brought into line: one rating of the service, the rest of the house with its bills, loads on the legs of their circuits, lanes in
 * agreement with the loads that are kept, nothing said about services, panels, circuits and islands that are gone.
 */
export const settlePlan = <P extends Plan>(plan: P): P =>
  settlePlacement(
    settlePhotos(settleTariffs(settleSources(settleBackup(settleLegs(settleRest(settleRating(plan))))))),
  );
