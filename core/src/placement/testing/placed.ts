import type { Placed, Plan, WallWork } from '../../design/index.js';
import { put, sayOfWall } from '../../design/index.js';
import { type Lot, newWall, type Opening, type Wall } from '../../house/index.js';
import type { Thing } from '../things/thing.js';

/** A wall outdoors, 6 m long and 2.7 m high. */
export const aWall = (changes: Partial<Wall> = {}): Wall => ({
  ...newWall('wall', 'A', 6, 2.7),
  construction: 'wood',
  studSpacingM: 0.4064,
  freeBeforeM: 3,
  ...changes,
});

export const anOpening = (changes: Partial<Opening> = {}): Opening => ({
  id: 'opening',
  kind: 'door',
  name: '',
  leftM: 4,
  bottomM: 0,
  widthM: 0.9,
  heightM: 2,
  ...changes,
});

/** A box of 0.6 × 1 × 0.2 m, 100 kg and 10 kWh, that hangs. */
export const aThing = (changes: Partial<Thing> = {}): Thing => ({
  id: 'unit:house:box:1',
  name: 'Box',
  kind: 'unit',
  islandId: 'house',
  widthM: 0.6,
  heightM: 1,
  depthM: 0.2,
  isSizeAssumed: false,
  massKg: 100,
  energyWh: 10_000,
  clear: { aboveM: 0, belowM: 0, besideM: 0, frontM: 0 },
  betweenM: null,
  mounting: 'wall',
  outdoors: true,
  isOptional: false,
  unit: null,
  ...changes,
});

/** A plan with walls, things put on them, and work done at them. */
export const placedPlan = <P extends Pick<Plan, 'lot' | 'placement'>>(
  plan: P,
  walls: readonly Wall[],
  placed: readonly Placed[],
  more: { readonly lot?: Partial<Lot>; readonly work?: Partial<WallWork> } = {},
): P => {
  const placement = put(plan.placement, placed);
  return {
    ...plan,
    lot: { ...plan.lot, walls: [...walls], ...more.lot },
    placement: more.work ? sayOfWall(placement, walls[0]!.id, more.work) : placement,
  };
};
