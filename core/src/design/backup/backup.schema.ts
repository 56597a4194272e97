import * as z from 'zod';
import { amountSchema, countSchema, idSchema } from '../../base/index.js';

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

/** How one service is backed up. null = nobody has said yet. */
export const serviceBackupSchema = z.strictObject({
  serviceId: idSchema,
  school: oneOf(schools).nullable(),
  /** The service whose source it shares; null = a source of its own. */
  joinedTo: idSchema.nullable(),
  /** The sub-panel whose feeder is cut, for a feeder splice. */
  feederPanelId: idSchema.nullable(),
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
  /** How many "may" loads one "should" load outweighs when a set is suggested. */
  shouldWorth: countSchema(1, 20),
});
export type Backup = z.infer<typeof backupSchema>;

export const emptyBackup = (): Backup => ({ services: [], shouldWorth: 4 });

/** A service about whose backup nobody has said anything. */
export const undecidedBackup = (serviceId: string): ServiceBackup => ({
  serviceId,
  school: null,
  joinedTo: null,
  feederPanelId: null,
  isolatingDevice: null,
  isolatingRatingA: null,
  utilityConsent: null,
  bondWhileIslanded: null,
  newPanelSpaces: null,
  newPanelDistanceM: null,
  controlledCircuits: null,
  automaticTransfer: true,
});
