import type { Opening, OpeningKind, Wall } from './wall.schema.js';

/** Usual sizes: width, height, and height above the ground, m (common practice, no source). */
const usual: Readonly<Record<OpeningKind, readonly [widthM: number, heightM: number, bottomM: number]>> = {
  door: [0.91, 2.03, 0],
  'garage-door': [2.44, 2.13, 0],
  window: [1.1, 1.2, 0.9],
  'fixed-window': [1.1, 1.2, 0.9],
  vent: [0.2, 0.2, 0.4],
  'gas-meter': [0.5, 0.6, 0.3],
  meter: [0.3, 0.5, 1.3],
  panel: [0.37, 0.76, 1],
  disconnect: [0.22, 0.36, 1.2],
  appliance: [0.6, 1.5, 0],
  tap: [0.1, 0.1, 0.5],
  receptacle: [0.08, 0.12, 0.4],
  light: [0.2, 0.25, 2],
  downpipe: [0.1, 2, 0],
  shelf: [1.2, 0.9, 0],
  other: [0.5, 0.5, 1],
};

/** An opening or obstacle of a usual size, as far to the left as there is room; cut down to the wall where that is smaller. */
export function newOpening(id: string, kind: OpeningKind, wall: Wall): Opening {
  const [width, height, bottom] = usual[kind];
  const widthM = Math.min(width, wall.lengthM);
  const bottomM = Math.min(bottom, Math.max(0, wall.heightM - 0.1));
  const heightM = Math.min(height, wall.heightM - bottomM);
  const after = Math.max(0, ...wall.openings.map((one) => one.leftM + one.widthM + 0.1));
  return { id, kind, name: '', leftM: Math.min(after, wall.lengthM - widthM), bottomM, widthM, heightM };
}
