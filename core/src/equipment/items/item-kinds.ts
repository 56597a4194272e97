import type * as z from 'zod';
import { batteryRatings, cellRatings, storageRatings } from './battery-ratings.js';
import {
  behaviourRatings,
  chargeRatings,
  inverterRatings,
  outputRatings,
  surgeRatings,
} from './inverter-ratings.js';
import { controllerRatings, moduleRatings, solarInverterRatings } from './solar-ratings.js';
import {
  autotransformerRatings,
  breakerRatings,
  disconnectRatings,
  fuseRatings,
  isolatingRatings,
  loadControllerRatings,
  panelRatings,
  softStarterRatings,
} from './switching-ratings.js';
import {
  conductorRatings,
  conduitRatings,
  generatorRatings,
  meteringRatings,
  surgeDeviceRatings,
} from './wiring-ratings.js';

/** Fields that stand together on a data sheet. */
export interface RatingGroup {
  readonly label: string;
  readonly fields: Readonly<Record<string, z.ZodType>>;
}

const inverterGroups: readonly RatingGroup[] = [
  { label: 'Output', fields: outputRatings },
  { label: 'Overload and starts', fields: surgeRatings },
  { label: 'Losses and transfer', fields: behaviourRatings },
  { label: 'Charging and solar', fields: chargeRatings },
];
const batteryGroups: readonly RatingGroup[] = [
  { label: 'Storage', fields: storageRatings },
  { label: 'Battery power and ageing', fields: cellRatings },
];
const both = { ...inverterRatings, ...batteryRatings };
const ratings = <R>(fields: R): { fields: R; groups: readonly RatingGroup[] } => ({
  fields,
  groups: [{ label: 'Ratings', fields: fields as RatingGroup['fields'] }],
});

/** Every kind of item a company sells: what it is called, and its ratings in the groups of a data sheet. */
export const itemKinds = {
  'battery-inverter': {
    label: 'Battery-inverter',
    fields: both,
    groups: [...inverterGroups, ...batteryGroups],
  },
  'hybrid-inverter': { label: 'Hybrid inverter', fields: inverterRatings, groups: inverterGroups },
  'inverter-charger': { label: 'Inverter-charger', fields: inverterRatings, groups: inverterGroups },
  'expansion-pack': { label: 'Expansion pack', fields: batteryRatings, groups: batteryGroups },
  'battery-module': { label: 'Battery module', fields: batteryRatings, groups: batteryGroups },
  'lead-acid-battery': { label: 'Lead-acid battery', fields: batteryRatings, groups: batteryGroups },
  'solar-module': { label: 'Solar module', ...ratings(moduleRatings) },
  'solar-inverter': { label: 'Solar inverter', ...ratings(solarInverterRatings) },
  'charge-controller': { label: 'Charge controller', ...ratings(controllerRatings) },
  'isolating-device': { label: 'Isolating device', ...ratings(isolatingRatings) },
  autotransformer: { label: 'Autotransformer', ...ratings(autotransformerRatings) },
  generator: { label: 'Generator', ...ratings(generatorRatings) },
  'load-controller': { label: 'Load controller', ...ratings(loadControllerRatings) },
  'soft-starter': { label: 'Soft starter', ...ratings(softStarterRatings) },
  'smart-breaker': { label: 'Smart breaker', ...ratings(breakerRatings) },
  panel: { label: 'Panel', ...ratings(panelRatings) },
  disconnect: { label: 'Disconnect', ...ratings(disconnectRatings) },
  breaker: { label: 'Breaker', ...ratings(breakerRatings) },
  fuse: { label: 'Fuse', ...ratings(fuseRatings) },
  conductor: { label: 'Conductor', ...ratings(conductorRatings) },
  conduit: { label: 'Conduit', ...ratings(conduitRatings) },
  metering: { label: 'Meter and current sensors', ...ratings(meteringRatings) },
  'surge-device': { label: 'Surge protection', ...ratings(surgeDeviceRatings) },
  mounting: { label: 'Mounting', ...ratings({}) },
  communication: { label: 'Communication', ...ratings({}) },
  other: { label: 'Other part', ...ratings({}) },
} as const;
export type ItemKind = keyof typeof itemKinds;
export const itemKindNames = Object.keys(itemKinds) as readonly ItemKind[];
