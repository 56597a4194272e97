import * as z from 'zod';
import { amountSchema, countSchema, idSchema } from '../../base/index.js';

/** Where a circuit stands in an outage: it stays on, is shed by a device, is shed by hand, or stays dark. */
export const lanes = ['on', 'auto', 'hand', 'dark'] as const;
export const laneSchema = z.enum(lanes, { error: `Choose one of: ${lanes.join(', ')}` });
export type Lane = z.infer<typeof laneSchema>;

export const shedDevices = ['relay', 'smart-breaker', 'control-input'] as const;
export type ShedDevice = (typeof shedDevices)[number];

/**
 * When a device sheds its circuit: for the whole outage; below a state of charge; or whenever the rest leaves no room for
 * it.
 */
export const shedMoments = ['outage', 'charge', 'power'] as const;
export type ShedMoment = (typeof shedMoments)[number];

export const shedSchema = z.strictObject({
  device: z.enum(shedDevices, { error: `Choose one of: ${shedDevices.join(', ')}` }),
  when: z.enum(shedMoments, { error: `Choose one of: ${shedMoments.join(', ')}` }),
  /** Share of the usable energy below which it opens; counts with "charge" only. */
  belowCharge: amountSchema(0.01, 1),
  /** Circuits of a lower order are shed first. */
  order: countSchema(1, 99),
  /** Time from the overload to the open contact. */
  responseS: amountSchema(0.01, 600, 's'),
});
export type Shed = z.infer<typeof shedSchema>;

/** How a circuit is shed while nobody has said more (common practice, no source). */
export const usualShed: Shed = {
  device: 'relay',
  when: 'outage',
  belowCharge: 0.5,
  order: 1,
  responseS: 0.5,
};

/** How one circuit stands in an outage. A circuit about which nothing is said is dark. */
export const circuitLaneSchema = z.strictObject({
  circuitId: idSchema,
  lane: laneSchema,
  /** How a device sheds it; null = as usual. Counts in the lane "auto" only. */
  shed: shedSchema.nullable(),
});
export type CircuitLane = z.infer<typeof circuitLaneSchema>;
