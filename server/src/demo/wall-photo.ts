import type { Wall, WallTrace } from '@levamen/core/house';
import { photoToWall, wallToPhoto } from '@levamen/core/house/details';
import jpeg from 'jpeg-js';

const widthPx = 1200;
const heightPx = 800;

type Colour = readonly [number, number, number];
const colours: Readonly<Record<string, Colour>> = {
  wall: [214, 207, 192],
  outside: [168, 176, 170],
  floor: [128, 122, 112],
  door: [122, 92, 66],
  'garage-door': [190, 190, 186],
  window: [150, 176, 190],
  'fixed-window': [150, 176, 190],
  shelf: [150, 118, 82],
  receptacle: [240, 238, 232],
  light: [250, 244, 214],
  other: [110, 110, 108],
};

/**
 * A made-up photo of a wall, drawn by the program: what is on it, seen a little from the side, with grain and a shadow below the ceiling.
 *
 * @returns the picture as JPEG, and where the corners of the wall are on it
 */
export function wallPhoto(wall: Wall): {
  readonly bytes: Buffer;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly trace: Omit<WallTrace, 'photoId'>;
} {
  const trace = {
    corners: [
      { x: 0.07, y: 0.86 },
      { x: 0.95, y: 0.78 },
      { x: 0.94, y: 0.2 },
      { x: 0.08, y: 0.09 },
    ],
    leftM: 0,
    bottomM: 0,
    widthM: wall.lengthM,
    heightM: wall.heightM,
  };
  const data = Buffer.alloc(widthPx * heightPx * 4);
  let seed = 1;
  const grain = (): number => {
    seed = (seed * 1103515245 + 12345) % 2147483648;
    return (seed / 2147483648 - 0.5) * 9;
  };
  for (let row = 0; row < heightPx; row += 1)
    for (let column = 0; column < widthPx; column += 1) {
      const at = photoToWall(trace, { x: column / widthPx, y: row / heightPx })!;
      const [colour, shade] = lookAt(wall, at.leftM, at.bottomM);
      const noise = grain();
      const index = (row * widthPx + column) * 4;
      for (let part = 0; part < 3; part += 1)
        data[index + part] = Math.max(0, Math.min(255, colour[part]! * shade + noise));
      data[index + 3] = 255;
    }
  // The corners belong to the wall: going there and back is the same map.
  if (wallToPhoto(trace, { leftM: 0, bottomM: 0 }) === null) throw new Error('The corners make no rectangle');
  const { data: bytes } = jpeg.encode({ data, width: widthPx, height: heightPx }, 78);
  return { bytes, widthPx, heightPx, trace };
}

/** Edge of what is let into a wall, m. */
const frameM = 0.035;

function lookAt(wall: Wall, leftM: number, bottomM: number): readonly [Colour, number] {
  if (bottomM < 0) return [colours['floor']!, 1 - Math.min(0.3, -bottomM * 0.15)];
  if (leftM < 0 || leftM > wall.lengthM || bottomM > wall.heightM) return [colours['outside']!, 0.9];
  const opening = wall.openings.find(
    (one) =>
      leftM >= one.leftM &&
      leftM <= one.leftM + one.widthM &&
      bottomM >= one.bottomM &&
      bottomM <= one.bottomM + one.heightM,
  );
  if (!opening)
    return [colours['wall']!, 0.82 + 0.2 * (bottomM / wall.heightM) * (1 - leftM / wall.lengthM / 3)];
  const edge = Math.min(
    leftM - opening.leftM,
    opening.leftM + opening.widthM - leftM,
    bottomM - opening.bottomM,
    opening.bottomM + opening.heightM - bottomM,
  );
  return [colours[opening.kind] ?? colours['other']!, edge < Math.min(frameM, opening.widthM / 6) ? 0.7 : 1];
}
