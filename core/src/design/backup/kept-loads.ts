import type { Load } from '../../house/index.js';
import type { BackedUpHouse } from './backed-up-house.js';

type Kept = Pick<BackedUpHouse, 'backup'>;

/** Ids of the loads that are kept running. */
export const keptLoads = ({ backup }: Kept): ReadonlySet<string> =>
  new Set(backup.kept.map(({ loadId }) => loadId));

/** The plan with these loads kept, and no others. */
export const keepOnly = <P extends Kept>(plan: P, loadIds: Iterable<string>): P => ({
  ...plan,
  backup: { ...plan.backup, kept: Array.from(loadIds, (loadId) => ({ loadId })) },
});

/** The plan with some loads kept, or not kept any more. */
export function keepLoads<P extends Kept>(plan: P, loadIds: Iterable<string>, kept: boolean): P {
  const ids = new Set(keptLoads(plan));
  for (const id of loadIds) {
    if (kept) ids.add(id);
    else ids.delete(id);
  }
  return keepOnly(plan, ids);
}

/** Is a load that comes new into the plan kept, until somebody says something else? */
export const keptAtFirst = ({ tier }: Pick<Load, 'tier'>): boolean => tier === 'must' || tier === 'should';

/** The plan with more loads, at the end or at a place in the list; those that must or should stay on are kept. */
export const addLoads = <P extends BackedUpHouse>(
  plan: P,
  loads: readonly Load[],
  at = plan.loads.length,
): P =>
  keepLoads(
    { ...plan, loads: plan.loads.toSpliced(at, 0, ...loads) },
    loads.filter(keptAtFirst).map(({ id }) => id),
    true,
  );
