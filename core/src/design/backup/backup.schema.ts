import * as z from 'zod';
import { amountSchema, countSchema, field, idSchema } from '../../base/index.js';
import { circuitLaneSchema } from './lane.schema.js';

/** How a service is backed up. */
export const schools = ['service', 'loads-panel', 'feeder', 'split', 'controlled', 'none'] as const;
export type School = (typeof schools)[number];

export const isolatingDevices = ['contactor', 'transfer-switch', 'at-meter', 'pass-through'] as const;

/** Where neutral and earth are bonded while islanded. */
export const bondPlaces = ['service', 'isolating-device', 'inverter'] as const;

const yesNo = z.boolean({ error: 'Say yes or no' });
const oneOf = <T extends readonly [string, ...string[]]>(values: T) =>
  z.enum(values, { error: `Choose one of: ${values.join(', ')}` });

/**
 * Where an island is cut off from the grid: at the service, behind one main of several, behind several mains each with an island of its own,
 * or at the feeder of a sub-panel.
 */
export const isolationSchema = z.discriminatedUnion('at', [
  z.strictObject({ at: z.literal('service') }),
  z.strictObject({ at: z.literal('main'), panelId: idSchema }),
  /** Mains that are not named stay on the side of the grid. */
  z.strictObject({
    at: z.literal('mains'),
    mains: z
      .array(z.strictObject({ panelId: idSchema, islandId: idSchema }))
      .min(1, 'Name a main')
      .max(8, 'Use at most 8 mains'),
  }),
  /** null = not chosen yet. */
  z.strictObject({ at: z.literal('feeder'), panelId: idSchema.nullable() }),
]);
export type Isolation = z.infer<typeof isolationSchema>;

/** How one service is backed up. null = nobody has said yet. */
export const serviceBackupSchema = z.strictObject({
  serviceId: idSchema,
  school: field(oneOf(schools).nullable(), { label: 'How it is backed up' }),
  /** The island it belongs to. Services of one island share its source. */
  islandId: idSchema,
  isolation: isolationSchema,
  isolatingDevice: field(oneOf(isolatingDevices).nullable(), {
    label: 'Isolating device',
    choices: [
      ['contactor', 'Contactor'],
      ['transfer-switch', 'Transfer switch'],
      ['at-meter', 'Device at the meter'],
      ['pass-through', 'Pass-through of the inverter'],
    ],
  }),
  /** Rating of the isolating device, or of the pass-through of an in-line inverter. */
  isolatingRatingA: field(amountSchema(1, 1200, 'A').nullable(), { label: 'Its rating', unit: 'A' }),
  utilityConsent: field(yesNo.nullable(), {
    label: 'Utility consents',
    choices: [
      [true, 'Yes'],
      [false, 'No'],
    ],
  }),
  bondWhileIslanded: field(oneOf(bondPlaces).nullable(), {
    label: 'Neutral bonded while islanded',
    choices: [
      ['service', 'At the service, as before'],
      ['isolating-device', 'In the isolating device'],
      ['inverter', 'In the inverter'],
    ],
  }),
  /** Spaces of the new backed-up loads panel. */
  newPanelSpaces: field(countSchema(1, 84).nullable(), {
    label: 'Spaces of the new panel',
    unit: 'count',
  }),
  /** Wire from the old panel to the new one. */
  newPanelDistanceM: field(amountSchema(0.1, 200, 'm').nullable(), {
    label: 'From old panel to new',
    unit: 'm',
  }),
  /** Circuits the load control can take. */
  controlledCircuits: field(countSchema(0, 84).nullable(), {
    label: 'Circuits it can control',
    unit: 'count',
  }),
  /** Does the isolating device transfer by itself? Manual transfer leaves the choice of loads to the user (NEC 702.4). */
  automaticTransfer: yesNo,
});
export type ServiceBackup = z.infer<typeof serviceBackupSchema>;

export const backupSchema = z.strictObject({
  services: z.array(serviceBackupSchema).max(8, 'Use at most 8 services'),
  /** The loads that are kept running. */
  kept: z.array(z.strictObject({ loadId: idSchema })).max(500, 'Use at most 500 loads'),
  /** Loads that are not kept, on circuits that stay on: the household unplugs them in an outage. */
  unplugged: z.array(z.strictObject({ loadId: idSchema })).max(500, 'Use at most 500 loads'),
  /** Loads that get a soft starter. */
  softStarters: z.array(z.strictObject({ loadId: idSchema })).max(100, 'Use at most 100 soft starters'),
  lanes: z.array(circuitLaneSchema).max(4032, 'Use at most 4032 circuits'),
  /** How many "may" loads one "should" load outweighs when a set is suggested. */
  shouldWorth: field(countSchema(1, 20), { label: 'One should counts as so many mays', unit: 'count' }),
});
export type Backup = z.infer<typeof backupSchema>;

export const emptyBackup = (): Backup => ({
  services: [],
  kept: [],
  unplugged: [],
  softStarters: [],
  lanes: [],
  shouldWorth: 4,
});

/** A service about whose backup nobody has said anything: it has an island, and so a source, of its own. */
export const undecidedBackup = (serviceId: string): ServiceBackup => ({
  serviceId,
  school: null,
  islandId: serviceId,
  isolation: { at: 'service' },
  isolatingDevice: null,
  isolatingRatingA: null,
  utilityConsent: null,
  bondWhileIslanded: null,
  newPanelSpaces: null,
  newPanelDistanceM: null,
  controlledCircuits: null,
  automaticTransfer: true,
});
