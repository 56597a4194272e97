import type { Lot } from '../../house/index.js';
import type { Placement } from './placement.schema.js';

interface PlacedOn {
  readonly lot: Lot;
  placement: Placement;
}

/** What hung on a wall that is gone is not placed any more; work at it is forgotten. */
export function settlePlacement<P extends PlacedOn>(plan: P): P {
  const walls = new Set(plan.lot.walls.map(({ id }) => id));
  const { placed, works } = plan.placement;
  if ([...placed, ...works].every(({ wallId }) => walls.has(wallId))) return plan;
  return {
    ...plan,
    placement: {
      ...plan.placement,
      placed: placed.filter(({ wallId }) => walls.has(wallId)),
      works: works.filter(({ wallId }) => walls.has(wallId)),
    },
  };
}
