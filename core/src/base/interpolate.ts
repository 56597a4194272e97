/**
 * Piecewise linear interpolation, held constant beyond the ends.
 *
 * @param points [x, y] with rising x
 * @param x where to read
 */
export function interpolate(points: readonly (readonly [x: number, y: number])[], x: number): number {
  let above = 0;
  while (above < points.length && !(points[above]![0] >= x)) above += 1;
  if (above === 0) return points[0]![1];
  if (above === points.length) return points[above - 1]![1];
  const [x0, y0] = points[above - 1]!;
  const [x1, y1] = points[above]!;
  return y0 + ((x - x0) / (x1 - x0)) * (y1 - y0);
}
