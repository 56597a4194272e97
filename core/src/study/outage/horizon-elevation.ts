import type { SolarArray } from '../../design/index.js';

/**
 * Elevation of a horizon line in a direction, degrees: straight between its points, around the compass. 0 where nothing is
 * said.
 */
export function horizonElevationDeg(horizon: SolarArray['horizon'], azimuthDeg: number): number {
  if (horizon.length === 0) return 0;
  const points = horizon.toSorted((a, b) => a.azimuthDeg - b.azimuthDeg);
  const next = points.findIndex((point) => point.azimuthDeg >= azimuthDeg);
  const to = points[next < 0 ? 0 : next]!;
  const from = points.at(next <= 0 ? -1 : next - 1)!;
  const span = (to.azimuthDeg - from.azimuthDeg + 360) % 360;
  if (span === 0) return to.elevationDeg;
  const along = ((azimuthDeg - from.azimuthDeg + 360) % 360) / span;
  return from.elevationDeg + (to.elevationDeg - from.elevationDeg) * along;
}
