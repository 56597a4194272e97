import type { Opening } from '../../house/index.js';
import { besideM, gapM, type Rect, slackM, topOf } from '../geometry/rect.js';
import { openingName } from '../things/placed-things.js';

export interface Nearest {
  readonly name: string;
  readonly gapM: number;
}

/** The nearest opening of some kinds to a rectangle on its wall; null = there is none. */
export function nearestOpening(
  at: Rect,
  openings: readonly Opening[],
  kinds: readonly Opening['kind'][],
): Nearest | null {
  let nearest: Nearest | null = null;
  for (const opening of openings) {
    if (!kinds.includes(opening.kind)) continue;
    const gap = gapM(at, opening);
    if (!nearest || gap < nearest.gapM) nearest = { name: openingName(opening), gapM: gap };
  }
  return nearest;
}

/** The lowest opening of some kinds right above a rectangle; null = there is none. */
export const openingAbove = (
  at: Rect,
  openings: readonly Opening[],
  kinds: readonly Opening['kind'][],
): Nearest | null =>
  nearestOpening(
    at,
    openings.filter((one) => besideM(at, one) <= -slackM && one.bottomM >= topOf(at) - slackM),
    kinds,
  );
