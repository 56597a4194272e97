import { overM, besideM, rightOf, type Rect, slackM, topOf } from '../geometry/rect.js';

/** 30 in, 36 in, 78 in (NEC 110.26(A), recalled). */
export const workingWidthM = 0.762;
export const workingDepthM = 0.9144;
export const workingHeightM = 1.9812;
/** What belongs to the equipment may stand out so much further than it: 6 in (NEC 110.26(A)(3), recalled). */
export const mayStandOutM = 0.1524;

/** Something that stands out into a working space. */
export interface Obstacle extends Rect {
  readonly name: string;
  readonly id: string;
}

/** The working space of a thing where it lies best: as wide as asked, from the ground up, with the thing anywhere in it. */
export function workingSpace(
  at: Rect,
  obstacles: readonly Obstacle[],
): { readonly space: Rect; readonly blocked: readonly Obstacle[] } {
  const widthM = Math.max(workingWidthM, at.widthM);
  const heightM = Math.max(workingHeightM, topOf(at));
  const room = widthM - at.widthM;
  const spaceAt = (leftM: number): Rect => ({ leftM, bottomM: 0, widthM, heightM });
  const blockedIn = (space: Rect): Obstacle[] =>
    obstacles.filter((one) => besideM(space, one) < -slackM && overM(space, one) < -slackM);
  // It begins where something ends, or ends where something begins; else in the middle.
  const lefts = [
    at.leftM - room / 2,
    at.leftM,
    at.leftM - room,
    ...obstacles.flatMap((one) => [rightOf(one), one.leftM - widthM]),
  ].filter((leftM) => leftM <= at.leftM + slackM && leftM >= at.leftM - room - slackM);
  let best = { space: spaceAt(lefts[0]!), blocked: blockedIn(spaceAt(lefts[0]!)) };
  for (const leftM of lefts) {
    if (best.blocked.length === 0) break;
    const blocked = blockedIn(spaceAt(leftM));
    if (blocked.length < best.blocked.length) best = { space: spaceAt(leftM), blocked };
  }
  return best;
}
