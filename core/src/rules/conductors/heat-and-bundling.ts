import type { PublishedTable } from '../../base/index.js';

/** [up to, °C; factor for conductors of 60, 75 and 90 °C]; 0 = not allowed. */
type AmbientRow = readonly [upToC: number, at60: number, at75: number, at90: number];

/** Ambient temperature, base 30 °C. */
export const ambientFactors: PublishedTable<readonly AmbientRow[]> = {
  title: 'Ambient temperature correction factors',
  clause: 'Table 310.15(B)(1)',
  edition: 'NEC 2023',
  source: 'recalled',
  values: [
    [10, 1.29, 1.2, 1.15],
    [15, 1.22, 1.15, 1.12],
    [20, 1.15, 1.11, 1.08],
    [25, 1.08, 1.05, 1.04],
    [30, 1, 1, 1],
    [35, 0.91, 0.94, 0.96],
    [40, 0.82, 0.88, 0.91],
    [45, 0.71, 0.82, 0.87],
    [50, 0.58, 0.75, 0.82],
    [55, 0.41, 0.67, 0.76],
    [60, 0, 0.58, 0.71],
    [65, 0, 0.47, 0.65],
    [70, 0, 0.33, 0.58],
  ],
};

/** [conductors that carry current, up to; factor]. */
export const bundlingFactors: PublishedTable<readonly (readonly [upTo: number, factor: number])[]> = {
  title: 'Adjustment factors for more than three current-carrying conductors',
  clause: 'Table 310.15(C)(1)',
  edition: 'NEC 2023',
  source: 'recalled',
  values: [
    [3, 1],
    [6, 0.8],
    [9, 0.7],
    [20, 0.5],
    [30, 0.45],
    [40, 0.4],
    [Infinity, 0.35],
  ],
};

/** Cables and conductors laid together, touching, single layer on a wall: IEC and BS. */
export const groupingFactors: PublishedTable<readonly (readonly [upTo: number, factor: number])[]> = {
  title: 'Rating factors for groups of circuits, single layer clipped to a surface',
  clause: 'Table 4C1, line 2; Table B.52.17',
  edition: 'BS 7671:2018; IEC 60364-5-52:2009',
  source: 'recalled',
  values: [
    [1, 1],
    [2, 0.85],
    [3, 0.79],
    [4, 0.75],
    [5, 0.73],
    [6, 0.72],
    [7, 0.72],
    [8, 0.71],
    [Infinity, 0.7],
  ],
};

/** PVC, 70 °C: [up to °C, factor]. */
export const iecAmbientFactors: PublishedTable<readonly (readonly [upToC: number, factor: number])[]> = {
  title: 'Rating factors for ambient air temperature, PVC',
  clause: 'Table 4B1; Table B.52.14',
  edition: 'BS 7671:2018; IEC 60364-5-52:2009',
  source: 'recalled',
  values: [
    [25, 1.03],
    [30, 1],
    [35, 0.94],
    [40, 0.87],
    [45, 0.79],
    [50, 0.71],
    [55, 0.61],
    [60, 0.5],
  ],
};

const stepOf = (rows: readonly (readonly [number, number])[], at: number): number =>
  rows.find(([upTo]) => at <= upTo)?.[1] ?? 0;

/**
 * Factor by which heat around it lowers (or cold raises) the ampacity of an American conductor.
 *
 * @param insulationC what its insulation stands, °C
 * @returns 0 where it may not be used in that heat
 */
export function ambientFactor(ambientC: number, insulationC: 60 | 75 | 90): number {
  const row = ambientFactors.values.find(([upToC]) => ambientC <= upToC);
  return row?.[insulationC === 60 ? 1 : insulationC === 75 ? 2 : 3] ?? 0;
}

/** Factor for so many conductors that carry current in one raceway or cable bundle (310.15(C)(1)). */
export const bundlingFactor = (carrying: number): number => stepOf(bundlingFactors.values, carrying);

/** Factor for so many circuits side by side on a wall (Cg), and for the air around them (Ca). */
export const groupingFactor = (circuits: number): number => stepOf(groupingFactors.values, circuits);
export const iecAmbientFactor = (ambientC: number): number => stepOf(iecAmbientFactors.values, ambientC);
