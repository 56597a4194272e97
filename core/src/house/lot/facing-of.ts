import type { Lot } from './lot.schema.js';
import type { Wall } from './wall.schema.js';

const degree = Math.PI / 180;

/** Direction a side of the outline faces, clockwise from north, degrees; its corners go round anticlockwise. null = there is no such side. */
export function sideFacingDeg({ corners }: Pick<Lot, 'corners'>, side: number): number | null {
  const [from, to] = [corners[side], corners[(side + 1) % corners.length]];
  if (!from || !to || corners.length < 3) return null;
  const along = Math.atan2(to.eastM - from.eastM, to.northM - from.northM) / degree;
  // Who walks anticlockwise around a house has it on the left: outside is to the right.
  return (along + 450) % 360;
}

/** Direction a wall faces, clockwise from north, degrees: as it is said, else as its side of the outline does; null = nobody knows. */
export const facingOf = (
  lot: Pick<Lot, 'corners'>,
  { facingDeg, side }: Pick<Wall, 'facingDeg' | 'side'>,
): number | null => facingDeg ?? (side === null ? null : sideFacingDeg(lot, side));
