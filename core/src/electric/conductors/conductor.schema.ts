import * as z from 'zod';
import { field } from '../../base/index.js';

export const conductorMaterials = ['copper', 'aluminium'] as const;
export type ConductorMaterial = (typeof conductorMaterials)[number];

/** From thin to thick. */
const americanSizes = [
  '14 AWG',
  '12 AWG',
  '10 AWG',
  '8 AWG',
  '6 AWG',
  '4 AWG',
  '3 AWG',
  '2 AWG',
  '1 AWG',
  '1/0 AWG',
  '2/0 AWG',
  '3/0 AWG',
  '4/0 AWG',
  '250 kcmil',
  '300 kcmil',
  '350 kcmil',
  '400 kcmil',
  '500 kcmil',
] as const;
export type AmericanSize = (typeof americanSizes)[number];

/** From thin to thick. */
const metricSizes = [
  '1.5 mm²',
  '2.5 mm²',
  '4 mm²',
  '6 mm²',
  '10 mm²',
  '16 mm²',
  '25 mm²',
  '35 mm²',
  '50 mm²',
  '70 mm²',
  '95 mm²',
  '120 mm²',
] as const;
export type MetricSize = (typeof metricSizes)[number];

export const conductorSizes = [...americanSizes, ...metricSizes] as const;
export type ConductorSize = (typeof conductorSizes)[number];

export const isMetricSize = (size: ConductorSize): size is MetricSize => size.endsWith('mm²');

export const conductorSchema = z.strictObject({
  material: z.enum(conductorMaterials, { error: 'Choose copper or aluminium' }),
  size: z.enum(conductorSizes, { error: 'Choose a conductor size from the list' }),
  /** The weakest of insulation, cable and terminals, °C, for American sizes; null = nobody has looked. */
  ratedC: field(z.union([z.literal(60), z.literal(75)], { error: 'Choose 60 or 75 °C' }).nullable(), {
    label: 'Cable and terminals',
    choices: [
      [null, 'Not looked at yet'],
      [60, 'NM cable, or not marked 75 °C'],
      [75, 'Marked 75 °C, no NM cable'],
    ],
  }),
});
export type Conductor = z.infer<typeof conductorSchema>;

export const conductorText = ({ material, size }: Pick<Conductor, 'material' | 'size'>): string =>
  `${size} ${material === 'copper' ? 'Cu' : 'Al'}`;
