import * as z from 'zod';
import { amountSchema, countSchema, field, idSchema } from '../../base/index.js';

/** Where a circuit stands in an outage: it stays on, is shed by a device, is shed by hand, or stays dark. */
export const lanes = ['on', 'auto', 'hand', 'dark'] as const;
export const laneSchema = z.enum(lanes, { error: `Choose one of: ${lanes.join(', ')}` });
export type Lane = z.infer<typeof laneSchema>;

export const shedDevices = ['relay', 'smart-breaker', 'control-input'] as const;

/**
 * When a device sheds its circuit: for the whole outage; below a state of charge; or whenever the rest leaves no room for
 * it.
 */
export const shedMoments = ['outage', 'charge', 'power'] as const;

export const shedSchema = z.strictObject({
  device: field(z.enum(shedDevices, { error: `Choose one of: ${shedDevices.join(', ')}` }), {
    label: 'Shed by',
    choices: [
      ['relay', 'Shed relay'],
      ['smart-breaker', 'Smart breaker'],
      ['control-input', 'Control input of the load'],
    ],
  }),
  when: field(z.enum(shedMoments, { error: `Choose one of: ${shedMoments.join(', ')}` }), {
    label: 'When',
    choices: [
      ['outage', 'For the whole outage'],
      ['charge', 'Below a state of charge'],
      ['power', 'When there is no room for it'],
    ],
  }),
  /** Share of the usable energy below which it opens; counts with "charge" only. */
  belowCharge: field(amountSchema(0.01, 1), { label: 'Below this charge', unit: 'share' }),
  /** Circuits of a lower order are shed first. */
  order: field(countSchema(1, 99), { label: 'Order', hint: 'lower is shed first', unit: 'count' }),
  /** Time from the overload to the open contact. */
  responseS: field(amountSchema(0.01, 600, 's'), { label: 'Opens after', unit: 's' }),
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
