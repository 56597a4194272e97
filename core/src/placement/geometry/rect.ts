/** A rectangle on a wall: from its left end and from the ground before it, m. */
export interface Rect {
  readonly leftM: number;
  readonly bottomM: number;
  readonly widthM: number;
  readonly heightM: number;
}

export const rightOf = ({ leftM, widthM }: Rect): number => leftM + widthM;
export const topOf = ({ bottomM, heightM }: Rect): number => bottomM + heightM;

/** Who measures on a wall does not see less, m. */
export const slackM = 1e-6;

/** Horizontal gap between two rectangles, m; negative: so much of them is above each other. */
export const besideM = (a: Rect, b: Rect): number => Math.max(a.leftM - rightOf(b), b.leftM - rightOf(a));

/** Vertical gap between two rectangles, m; negative: so much of them is beside each other. */
export const overM = (a: Rect, b: Rect): number => Math.max(a.bottomM - topOf(b), b.bottomM - topOf(a));

/** Shortest distance between two rectangles, m; 0 where they touch or overlap. */
export const gapM = (a: Rect, b: Rect): number =>
  Math.hypot(Math.max(0, besideM(a, b)), Math.max(0, overM(a, b)));

/** Whether two rectangles share more than an edge. */
export const overlap = (a: Rect, b: Rect): boolean => besideM(a, b) < -slackM && overM(a, b) < -slackM;

/** A rectangle with room around it. */
export const grown = (
  { leftM, bottomM, widthM, heightM }: Rect,
  {
    aboveM,
    belowM,
    besideM: each,
  }: { readonly aboveM: number; readonly belowM: number; readonly besideM: number },
): Rect => ({
  leftM: leftM - each,
  bottomM: bottomM - belowM,
  widthM: widthM + 2 * each,
  heightM: heightM + aboveM + belowM,
});
