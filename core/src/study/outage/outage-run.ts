import type { Tier } from '../../house/index.js';
import type { Cause } from './outage-state.js';

/** What happens in an outage, in the words of the trade. */
export type OutageEventKind =
  | 'transfer'
  | 'solar-back'
  | 'shed'
  | 'restored'
  | 'full'
  | 'generator-called'
  | 'generator-waits'
  | 'generator-dry'
  | 'generator-on'
  | 'generator-off'
  | 'switched-off'
  | 'switched-on'
  | 'trip'
  | 'retry'
  | 'reconnected'
  | 'locked-out'
  | 'empty'
  | 'lit-again'
  | 'vehicle-feeds'
  | 'too-cold'
  | 'cold-charge'
  | 'grid-back'
  | 'resynchronised';

export interface OutageEvent {
  /** Minutes since the outage began. */
  readonly minute: number;
  readonly kind: OutageEventKind;
  /** What it is about: names of circuits' loads, a cause; '' where nothing more is to say. */
  readonly what: string;
}

/** What one tier got out of an outage. */
export interface TierResult {
  readonly tier: Tier;
  readonly servedWh: number;
  readonly unservedWh: number;
  /** Hours in which the tier wanted anything. */
  readonly wantedH: number;
  /** Of them, hours in which it got all of that. */
  readonly servedH: number;
  /** Hours until something of it was first not served; null = never. */
  readonly firstFailureH: number | null;
  /** Why: shed by charge, no room for it, or what made the house go dark; "none" where it never failed. */
  readonly firstFailureWhy: 'shed' | 'no-room' | Cause;
}

/** The tiers an outage serves, in the order they are drawn. */
export const servedTiers = ['must', 'should', 'may', 'never'] as const satisfies readonly Tier[];

/** An outage, minute by minute. All powers in W, means of a minute. */
export interface OutageRun {
  /** Minute of the year at which it begins, and its length until the house is on the grid again. */
  readonly fromMinute: number;
  readonly minutes: number;
  /** Of them, without the grid; then it is watched until the house returns to it. */
  readonly outageMinutes: number;
  readonly servedW: Readonly<Record<Tier, Float32Array>>;
  readonly unservedW: Readonly<Record<Tier, Float32Array>>;
  readonly standbyW: Float32Array;
  readonly sunW: Float32Array;
  readonly sunUsedW: Float32Array;
  readonly generatorW: Float32Array;
  /** Out of the battery positive, into it negative. */
  readonly batteryW: Float32Array;
  /** Share of the usable energy at the end of each minute. */
  readonly charge: Float32Array;
  /** Of the island, Hz; 0 while dark. */
  readonly frequencyHz: Float32Array;
  readonly outdoorC: Float32Array;
  readonly batteryC: Float32Array;
  readonly events: readonly OutageEvent[];
  readonly tiers: readonly TierResult[];
  /** Minutes until the house first went dark for want of energy or was locked out; the length where it didn't. */
  readonly survivedMin: number;
  readonly cause: Cause;
  readonly sunWh: number;
  readonly sunWastedWh: number;
  readonly generatorH: number;
  readonly generatorWh: number;
  readonly fuelL: number;
  readonly lowestCharge: number;
  /** Largest difference of what went in and what came out in any minute, relative to what went in. */
  readonly worstImbalance: number;
}
