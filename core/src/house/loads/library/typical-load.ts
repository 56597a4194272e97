import type { HoursOfUse, Start, Tier } from '../load.schema.js';
import type { Season } from '../../../nature/index.js';
import { isAmerican, type SupplySystem, supplySystems } from '../../../electric/index.js';
import type { LoadKind } from '../load-kinds.js';

/** Hours in the night, morning, day and evening part. */
export type Pattern = readonly [nightH: number, morningH: number, dayH: number, eveningH: number];

/** A household load with typical values. Everything here is common practice, no source. */
export interface TypicalLoad {
  readonly id: string;
  readonly name: string;
  readonly kind: LoadKind;
  readonly quantity: number;
  readonly runningPowerW: number;
  readonly powerFactor: number;
  readonly start: Start;
  readonly dutyCycle: number;
  readonly use: Readonly<Record<Season, HoursOfUse>>;
  readonly tier: Tier;
  /** On days of storm it runs so many times as long; null = as on any day. */
  readonly stormFactor: number | null;
  /** 'plug' sits on one leg; 'line' on two where there are two of 120 V; 'three' on three phases where there are. */
  readonly wiring: 'plug' | 'line' | 'three';
  /** Supplies it is made for; null = any. */
  readonly onlyOn: readonly SupplySystem[] | null;
}

const hours = ([nightH, morningH, dayH, eveningH]: Pattern): HoursOfUse => ({
  nightH,
  morningH,
  dayH,
  eveningH,
});

export const allDay: Pattern = [8, 4, 6, 6];
const off: Pattern = [0, 0, 0, 0];

/** The same hours in every season. */
export const always = (pattern: Pattern): TypicalLoad['use'] => ({
  winter: hours(pattern),
  shoulder: hours(pattern),
  summer: hours(pattern),
});

/** Hours by season; a season that is left out is off. */
export const bySeason = (patterns: Partial<Record<Season, Pattern>>): TypicalLoad['use'] => ({
  winter: hours(patterns.winter ?? off),
  shoulder: hours(patterns.shoulder ?? off),
  summer: hours(patterns.summer ?? off),
});

/** Supplies of 120 V a leg, of one leg of 230 V, and of three phases. */
export const american: readonly SupplySystem[] = supplySystems.filter(isAmerican);
export const of230V: readonly SupplySystem[] = supplySystems.filter((system) => !isAmerican(system));
export const threePhase: readonly SupplySystem[] = ['three-230-400'];

export const none: Start = { how: 'none' };
export const times = (multiple: number, durationS = 0.5): Start => ({ how: 'multiple', multiple, durationS });
export const soft = (multiple: number, durationS = 2): Start => ({ how: 'soft', multiple, durationS });
export const lockedRotor = (lockedRotorA: number, durationS = 0.5): Start => ({
  how: 'lockedRotor',
  lockedRotorA,
  durationS,
});

interface Row {
  readonly id: string;
  readonly name: string;
  readonly kind: LoadKind;
  readonly powerW: number;
  readonly use: TypicalLoad['use'];
  readonly tier: Tier;
  readonly pf?: number;
  readonly duty?: number;
  readonly start?: Start;
  readonly wiring?: TypicalLoad['wiring'];
  readonly quantity?: number;
  readonly storm?: number;
  readonly onlyOn?: readonly SupplySystem[];
}

/** Fills what most loads share: one piece, no surge, full duty, near-unity power factor, on one leg. */
export const typical = (row: Row): TypicalLoad => ({
  id: row.id,
  name: row.name,
  kind: row.kind,
  quantity: row.quantity ?? 1,
  runningPowerW: row.powerW,
  powerFactor: row.pf ?? 1,
  start: row.start ?? none,
  dutyCycle: row.duty ?? 1,
  use: row.use,
  tier: row.tier,
  stormFactor: row.storm ?? null,
  wiring: row.wiring ?? 'plug',
  onlyOn: row.onlyOn ?? null,
});
