import type { WallTrace } from './wall.schema.js';

export interface PhotoPoint {
  /** Share of the width and of the height of the photo, from its upper left corner. */
  readonly x: number;
  readonly y: number;
}
export interface WallPoint {
  readonly leftM: number;
  readonly bottomM: number;
}

type Matrix = readonly [number, number, number, number, number, number, number, number, number];

/**
 * The projective map that takes the corners of the unit square (0,0), (1,0), (1,1), (0,1) to four points: Heckbert, Fundamentals of Texture Mapping and Image Warping (1989), 2.2.3; recalled.
 *
 * @returns null where three of the points lie on a line
 */
function squareToQuad(corners: readonly PhotoPoint[]): Matrix | null {
  const [a, b, c, d] = corners as [PhotoPoint, PhotoPoint, PhotoPoint, PhotoPoint];
  const sx = a.x - b.x + c.x - d.x;
  const sy = a.y - b.y + c.y - d.y;
  const [dx1, dx2] = [b.x - c.x, d.x - c.x];
  const [dy1, dy2] = [b.y - c.y, d.y - c.y];
  const det = dx1 * dy2 - dx2 * dy1;
  if (Math.abs(det) < 1e-9) return null;
  const g = (sx * dy2 - dx2 * sy) / det;
  const h = (dx1 * sy - sx * dy1) / det;
  return [
    b.x - a.x + g * b.x,
    d.x - a.x + h * d.x,
    a.x,
    b.y - a.y + g * b.y,
    d.y - a.y + h * d.y,
    a.y,
    g,
    h,
    1,
  ];
}

const inverse = ([a, b, c, d, e, f, g, h, i]: Matrix): Matrix => [
  e * i - f * h,
  c * h - b * i,
  b * f - c * e,
  f * g - d * i,
  a * i - c * g,
  c * d - a * f,
  d * h - e * g,
  b * g - a * h,
  a * e - b * d,
];

const apply = ([a, b, c, d, e, f, g, h, i]: Matrix, x: number, y: number): readonly [number, number] => {
  const w = g * x + h * y + i;
  return [(a * x + b * y + c) / w, (d * x + e * y + f) / w];
};

type Traced = Pick<WallTrace, 'corners' | 'leftM' | 'bottomM' | 'widthM' | 'heightM'>;

/** Where a point of a photo is on the wall; null where the marked corners make no rectangle. */
export function photoToWall(trace: Traced, { x, y }: PhotoPoint): WallPoint | null {
  const map = squareToQuad(trace.corners);
  if (!map) return null;
  const [u, v] = apply(inverse(map), x, y);
  return { leftM: trace.leftM + u * trace.widthM, bottomM: trace.bottomM + v * trace.heightM };
}

/** Where a point of the wall is on the photo; null as above. */
export function wallToPhoto(trace: Traced, { leftM, bottomM }: WallPoint): PhotoPoint | null {
  const map = squareToQuad(trace.corners);
  if (!map) return null;
  const [x, y] = apply(map, (leftM - trace.leftM) / trace.widthM, (bottomM - trace.bottomM) / trace.heightM);
  return { x, y };
}
