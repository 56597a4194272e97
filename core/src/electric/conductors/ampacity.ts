import type { Conductor, ConductorSize } from './conductor.schema.js';

/**
 * Ampacity at 75 °C, not more than three current-carrying conductors, 30 °C ambient: NEC 2023 Table 310.16 (recalled).
 * Metric sizes: IEC 60364-5-52 Table B.52.4, PVC, method C, two loaded conductors (recalled). [copper, aluminium]
 */
const ampacities: Readonly<Record<ConductorSize, readonly [number, number | null]>> = {
  '14 AWG': [20, null],
  '12 AWG': [25, 20],
  '10 AWG': [35, 30],
  '8 AWG': [50, 40],
  '6 AWG': [65, 50],
  '4 AWG': [85, 65],
  '3 AWG': [100, 75],
  '2 AWG': [115, 90],
  '1 AWG': [130, 100],
  '1/0 AWG': [150, 120],
  '2/0 AWG': [175, 135],
  '3/0 AWG': [200, 155],
  '4/0 AWG': [230, 180],
  '250 kcmil': [255, 205],
  '300 kcmil': [285, 230],
  '350 kcmil': [310, 250],
  '400 kcmil': [335, 270],
  '500 kcmil': [380, 310],
  '1.5 mm²': [19.5, null],
  '2.5 mm²': [27, 21],
  '4 mm²': [36, 28],
  '6 mm²': [46, 36],
  '10 mm²': [63, 49],
  '16 mm²': [85, 66],
  '25 mm²': [112, 83],
  '35 mm²': [138, 103],
  '50 mm²': [168, 125],
  '70 mm²': [213, 160],
  '95 mm²': [258, 195],
  '120 mm²': [299, 226],
};

/**
 * Ampacity of a conductor in A before corrections; null where the table has none for that material.
 *
 * @example ampacityA({ material: 'copper', size: '6 AWG' }) // 65
 */
export function ampacityA({ size, material }: Conductor): number | null {
  return ampacities[size][material === 'copper' ? 0 : 1];
}
