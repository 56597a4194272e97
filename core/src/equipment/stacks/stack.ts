import type { OverloadPoint, Unit } from '../catalogue/unit.schema.js';
import type { Chemistry, Retry } from '../../electric/index.js';
import type { ConversionLosses } from '../inverter/conversion-losses.js';
import type { MeasuredStack } from './measured.schema.js';
import type { StackPart } from './stack-part.schema.js';

/** Units put together, and what they can do together. */
export interface Stack {
  readonly parts: readonly StackPart[];
  /** "2 × Madder 47 + 1 × Madder pack" */
  readonly name: string;
  readonly inverter: Unit;
  readonly inverterQuantity: number;
  readonly batteries: readonly { readonly unit: Unit; readonly quantity: number }[];
  readonly chemistry: Chemistry;
  readonly continuousVA: number;
  readonly perLegVA: number;
  readonly overload: readonly OverloadPoint[];
  readonly lockedRotorA: number | null;
  readonly neutralA: number | null;
  readonly nameplateWh: number;
  /** What was measured of it and is part of its figures, and how it is without that; null = they are those of its data sheets. */
  readonly measured: { readonly values: MeasuredStack; readonly bySheets: Stack } | null;
  /** AC power the batteries can feed; Infinity where the inverter sets the limit. */
  readonly batteryPowerW: number;
  /** The same for some seconds. */
  readonly batteryPeakW: number;
  readonly dischargeEfficiency: number;
  /** The same at every power. */
  readonly losses: ConversionLosses;
  /** Power the battery takes while it charges, W, and battery energy in over AC energy in. */
  readonly chargePowerW: number;
  readonly chargeEfficiency: number;
  /** Solar it takes, W: arrays at its own inputs, and solar inverters beside it. */
  readonly solarDcW: number;
  /** Charge controllers beside the inverters: how many, and the arrays they take together, W; part of {@link solarDcW}. */
  readonly controllers: { readonly count: number; readonly takeW: number };
  readonly solarAcW: number;
  readonly standbyW: number;
  /** null = not stated. */
  readonly transferGapMs: number | null;
  /** The grid is watched for so long before the house returns to it, whole minutes. */
  readonly gridReturnMin: number;
  /** Share of the voltage lost at the continuous rating; null = not stated. */
  readonly voltageDroop: number | null;
  readonly retry: Retry;
  /** null = not known of all units. */
  readonly massKg: number | null;
  readonly unitCount: number;
}

export type AssembledStack =
  { readonly ok: true; readonly stack: Stack } | { readonly ok: false; readonly problem: string };

/** The most a stack feeds for any time, W: what its batteries give, through inverters that carry no more watts than volt-amperes. */
export const mostPowerW = ({
  continuousVA,
  batteryPowerW,
}: Pick<Stack, 'continuousVA' | 'batteryPowerW'>): number => Math.min(continuousVA, batteryPowerW);
