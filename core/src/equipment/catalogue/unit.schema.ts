import * as z from 'zod';
import { amountSchema, countSchema, idSchema, lineSchema, nameSchema } from '../../base/index.js';
import { supplySystemSchema } from '../../electric/index.js';

export const unitRoles = [
  'battery-inverter',
  'hybrid-inverter',
  'inverter-charger',
  'expansion-pack',
  'battery-module',
  'lead-acid-battery',
  'charge-controller',
] as const;

/** Apparent power that may be drawn for so long from one unit, all legs together. */
const overloadPointSchema = z.strictObject({
  apparentPowerVA: amountSchema(1, 200_000, 'VA'),
  durationS: amountSchema(0.01, 3600, 's'),
});
export type OverloadPoint = z.infer<typeof overloadPointSchema>;

const inverterSchema = z.strictObject({
  systems: z.array(supplySystemSchema).min(1),
  /** Legs that one unit feeds: 'one' in a three-phase house means three units, one on each phase. */
  output: z.enum(['one', 'two', 'three']),
  continuousVA: amountSchema(100, 100_000, 'VA'),
  /** Active power, where it is less; null = as much as apparent power. */
  continuousW: amountSchema(50, 200_000, 'W').nullable(),
  /** What one leg of one unit carries. */
  perLegVA: amountSchema(100, 100_000, 'VA'),
  /** Longest first; each point lasts shorter and carries more. Empty = not stated. */
  overload: z.array(overloadPointSchema).max(6),
  /** Largest locked-rotor current one unit starts; null = not stated. */
  lockedRotorA: amountSchema(1, 1000, 'A').nullable(),
  /** What the neutral, or the autotransformer that forms it, carries; null = not stated. */
  neutralA: amountSchema(1, 1000, 'A').nullable(),
  /** AC energy out over battery energy in. */
  dischargeEfficiency: amountSchema(0.5, 1),
  /** The same at shares of the continuous rating, its own draw counted apart; null = the one above at half of it. */
  efficiencyAt: z
    .array(z.strictObject({ share: amountSchema(0.01, 1), efficiency: amountSchema(0.5, 1) }))
    .min(2)
    .max(6)
    .nullable(),
  /** AC power one unit takes to charge, and battery energy in over AC energy in. */
  charge: z.strictObject({ powerW: amountSchema(100, 100_000, 'W'), efficiency: amountSchema(0.5, 1) }),
  /** Solar one unit takes: array power at its own inputs, and power of solar inverters beside it; null = none. */
  solar: z.strictObject({
    dcW: amountSchema(100, 200_000, 'W').nullable(),
    acW: amountSchema(100, 200_000, 'W').nullable(),
  }),
  /** Own draw of inverter and controls while the island is up. */
  standbyW: amountSchema(0, 500, 'W'),
  /** null = not stated. */
  transferGapMs: amountSchema(0, 60_000, 'ms').nullable(),
  /** It watches the grid so long before the house returns to it. */
  gridReturnS: amountSchema(0, 3600, 's'),
  /** Share of the voltage lost when the continuous rating is drawn; null = not stated. */
  voltageDroop: amountSchema(0, 0.5).nullable(),
  /** What it does after an overload: waits, tries again so many times, then locks out until somebody resets it. */
  retry: z.strictObject({ afterS: amountSchema(0, 3600, 's'), tries: countSchema(0, 100) }),
  maxParallel: countSchema(1, 12),
  accepts: z.array(
    z.strictObject({
      unitId: idSchema,
      least: countSchema(0, 60),
      most: countSchema(0, 60),
      /** Only multiples of it: blocks in series. */
      step: countSchema(1, 60),
      /** Counted for each inverter, or for all of them together where they share. */
      per: z.enum(['each', 'together']),
    }),
  ),
});
export type Inverter = z.infer<typeof inverterSchema>;
export type Accepted = Inverter['accepts'][number];

const batterySchema = z.strictObject({
  chemistry: z.enum(['lithium', 'lead-acid']),
  nominalVoltageV: amountSchema(2, 1000, 'V'),
  nameplateWh: amountSchema(100, 200_000, 'Wh'),
  /** Share of the nameplate the unit ever lets out. */
  usableShare: amountSchema(0.3, 1),
  /** Power one unit may deliver at its terminals; null where the inverter beside it sets the limit. */
  dischargePowerW: amountSchema(100, 100_000, 'W').nullable(),
  /** Power one unit may deliver for some seconds; null = no more than for any time. */
  peakPowerW: amountSchema(100, 200_000, 'W').nullable(),
  /** Power one unit may take while it charges; null where the inverter beside it sets the limit. */
  chargePowerW: amountSchema(50, 100_000, 'W').nullable(),
  /** Share of the nameplate lost each year. */
  fadePerYear: amountSchema(0, 0.2),
  /** Lead-acid only: Peukert exponent and the hours the nameplate is rated for. */
  peukert: z.strictObject({ exponent: amountSchema(1, 2), ratedHours: amountSchema(1, 100, 'h') }).nullable(),
});
export type Battery = z.infer<typeof batterySchema>;

/** What matters about a unit where it stands or hangs; null = its data sheet does not say. */
const unitBodySchema = z.strictObject({
  widthM: z.number().nullable(),
  heightM: z.number().nullable(),
  depthM: z.number().nullable(),
  mounting: z.enum(['wall', 'floor', 'wall-or-floor', 'rail', 'panel', 'roof']).nullable(),
  outdoors: z.boolean().nullable(),
  clearAboveM: z.number().nullable(),
  clearBelowM: z.number().nullable(),
  clearBesideM: z.number().nullable(),
  clearFrontM: z.number().nullable(),
  /** Between two of them, as its fire test allows. */
  betweenM: z.number().nullable(),
  ingress: z.string(),
  noiseDb: z.number().nullable(),
  coldestC: z.number().nullable(),
  hottestC: z.number().nullable(),
  derateAboveC: z.number().nullable(),
  deratePerC: z.number().nullable(),
  heaterW: z.number().nullable(),
});
export type UnitBody = z.infer<typeof unitBodySchema>;

export const unitSchema = z.strictObject({
  id: idSchema,
  name: nameSchema(60),
  role: z.enum(unitRoles),
  summary: lineSchema(240),
  massKg: amountSchema(0.01, 5000, 'kg').nullable(),
  body: unitBodySchema,
  inverter: inverterSchema.nullable(),
  battery: batterySchema.nullable(),
  /** Array a charge controller takes, W; null = it is none. */
  controllerW: amountSchema(50, 100_000, 'W').nullable(),
  /** Ratings its data sheet does not give, that stand in by what is usual. */
  assumed: z.array(z.string()),
  /** Offered no longer; what was chosen once stays known. */
  retired: z.boolean(),
});
export type Unit = z.infer<typeof unitSchema>;

export const catalogueSchema = z.array(unitSchema);
export type Catalogue = readonly Unit[];
