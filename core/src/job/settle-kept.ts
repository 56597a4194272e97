import { type Item, sampleLine } from '../equipment/index.js';
import type { Job } from './job.schema.js';

const usedIn = ({ designs, existingUnits }: Job): Set<string> =>
  new Set([
    ...existingUnits.map(({ unitId }) => unitId),
    ...designs.flatMap(({ equipment }) =>
      equipment.stacks.flatMap(({ parts }) => parts.map(({ unitId }) => unitId)),
    ),
  ]);

/** The job without kept items that no design uses and the house does not have. */
export function settleKept(job: Job): Job {
  const { equipmentList } = job;
  if (equipmentList.kept.length === 0) return job;
  const used = usedIn(job);
  const kept = equipmentList.kept.filter(({ id }) => used.has(id));
  return kept.length === equipmentList.kept.length
    ? job
    : { ...job, equipmentList: { ...equipmentList, kept } };
}

const sampleIds = new Set(sampleLine.map(({ id }) => id));

/**
 * The job with the items its designs use kept in it, as the list it is designed with has them.
 *
 * @param items of that list
 */
export function keepUsedItems(job: Job, items: readonly Item[]): Job {
  const { equipmentList } = job;
  const known = new Set(equipmentList.kept.map(({ id }) => id));
  const missing = [...usedIn(job)].filter((id) => !known.has(id) && !sampleIds.has(id));
  if (missing.length === 0) return job;
  const found = items.filter(({ id }) => missing.includes(id));
  if (found.length === 0) return job;
  return { ...job, equipmentList: { ...equipmentList, kept: [...equipmentList.kept, ...found] } };
}
