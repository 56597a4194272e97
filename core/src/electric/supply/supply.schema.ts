import * as z from 'zod';
import { amountSchema, field } from '../../base/index.js';

export const supplySystems = ['split-120-240', 'two-legs-120-208', 'single-230', 'three-230-400'] as const;

/** How the house is fed. */
export const supplySystemSchema = z.enum(supplySystems, {
  error: `Choose one of: ${supplySystems.join(', ')}`,
});
export type SupplySystem = z.infer<typeof supplySystemSchema>;

export const supplySchema = z.strictObject({
  system: field(supplySystemSchema.clone(), {
    label: 'Supply',
    hint: 'Changing it moves loads and arrays to legs that exist',
  }),
  frequencyHz: field(z.union([z.literal(50), z.literal(60)], { error: 'Choose 50 or 60 Hz' }), {
    label: 'Frequency',
    choices: [
      [60, '60 Hz'],
      [50, '50 Hz'],
    ],
  }),
  /** Rating of the service or main breaker; null = not yet known. */
  serviceRatingA: field(amountSchema(10, 1200, 'A').nullable(), {
    label: 'Service rating',
    unit: 'A',
    hint: 'Main breaker or service fuse',
  }),
});
export type Supply = z.infer<typeof supplySchema>;
