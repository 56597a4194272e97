import * as z from 'zod';
import { amountSchema, countSchema, idSchema } from '../../base/index.js';
import { circuitLaneSchema } from './lane.schema.js';

/** How a service is backed up. */
export const schools = ['service', 'loads-panel', 'feeder', 'split', 'controlled', 'none'] as const;
export type School = (typeof schools)[number];

export const isolatingDevices = ['contactor', 'transfer-switch', 'at-meter', 'pass-through'] as const;
export type IsolatingDevice = (typeof isolatingDevices)[number];

/** Where neutral and earth are bonded while islanded. */
export const bondPlaces = ['service', 'isolating-device', 'inverter'] as const;
export type BondPlace = (typeof bondPlaces)[number];

const yesNo = z.boolean({ error: 'Say yes or no' });
const oneOf = <T extends readonly [string, ...string[]]>(values: T) =>
  z.enum(values, { error: `Choose one of: ${values.join(', ')}` });

/** Where an island is cut off from the grid: at the service, behind one main of several, or at the feeder of a sub-panel. */
export const isolationSchema = z.discriminatedUnion('at', [
  z.strictObject({ at: z.literal('service') }),
  z.strictObject({ at: z.literal('main'), panelId: idSchema }),
  /** null = not chosen yet. */
  z.strictObject({ at: z.literal('feeder'), panelId: idSchema.nullable() }),
]);
export type Isolation = z.infer<typeof isolationSchema>;

/** How one service is backed up. null = nobody has said yet. */
export const serviceBackupSchema = z.strictObject({
  serviceId: idSchema,
  school: oneOf(schools).nullable(),
  /** The island it belongs to. Services of one island share its source. */
  islandId: idSchema,
  isolation: isolationSchema,
  isolatingDevice: oneOf(isolatingDevices).nullable(),
  /** Rating of the isolating device, or of the pass-through of an in-line inverter. */
  isolatingRatingA: amountSchema(1, 1200, 'A').nullable(),
  utilityConsent: yesNo.nullable(),
  bondWhileIslanded: oneOf(bondPlaces).nullable(),
  /** Spaces of the new backed-up loads panel. */
  newPanelSpaces: countSchema(1, 84).nullable(),
  /** Wire from the old panel to the new one. */
  newPanelDistanceM: amountSchema(0.1, 200, 'm').nullable(),
  /** Circuits the load control can take. */
  controlledCircuits: countSchema(0, 84).nullable(),
  /** Does the isolating device transfer by itself? Manual transfer leaves the choice of loads to the user (NEC 702.4). */
  automaticTransfer: yesNo,
});
export type ServiceBackup = z.infer<typeof serviceBackupSchema>;

export const backupSchema = z.strictObject({
  services: z.array(serviceBackupSchema).max(8, 'Use at most 8 services'),
  /** The loads that are kept running. */
  kept: z.array(z.strictObject({ loadId: idSchema })).max(500, 'Use at most 500 loads'),
  lanes: z.array(circuitLaneSchema).max(4032, 'Use at most 4032 circuits'),
  /** How many "may" loads one "should" load outweighs when a set is suggested. */
  shouldWorth: countSchema(1, 20),
});
export type Backup = z.infer<typeof backupSchema>;

export const emptyBackup = (): Backup => ({ services: [], kept: [], lanes: [], shouldWorth: 4 });

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
