import * as z from 'zod';

export const conductorMaterials = ['copper', 'aluminium'] as const;
export type ConductorMaterial = (typeof conductorMaterials)[number];

/** American sizes, then metric ones, each from thin to thick. */
export const conductorSizes = [
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
export type ConductorSize = (typeof conductorSizes)[number];

export const conductorSchema = z.strictObject({
  material: z.enum(conductorMaterials, { error: 'Choose copper or aluminium' }),
  size: z.enum(conductorSizes, { error: 'Choose a conductor size from the list' }),
});
export type Conductor = z.infer<typeof conductorSchema>;

export const conductorText = ({ material, size }: Conductor): string =>
  `${size} ${material === 'copper' ? 'Cu' : 'Al'}`;
