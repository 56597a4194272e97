import {
  type Conductor,
  type ConductorMaterial,
  type ConductorSize,
  conductorSizes,
  isMetricSize,
} from '../../electric/index.js';
import { ampsText } from '../amps-text.js';
import { conductorAreaMm2 } from '../earth/conductor-area.js';
import { ampacityA } from './ampacity.js';
import { ambientFactor, bundlingFactor, groupingFactor, iecAmbientFactor } from './heat-and-bundling.js';
import { smallConductorsA } from './largest-breaker.js';
import { necAmpacity90A } from './nec-ampacity-90.js';
import { standardBreakerA, standardBreakersA } from './standard-breaker.js';
import { wholeDwellingRatingA } from './whole-dwelling-rating.js';

/** How a conductor lies, and what it ends in. */
export interface Laying {
  /** Lowest rating of the terminals at its ends, °C; cable of type NM counts for 60 °C whatever they say (334.80). */
  readonly terminalC: 60 | 75;
  /** What its insulation stands, °C. */
  readonly insulationC: 60 | 75 | 90;
  /** Conductors that carry current, in the same raceway or bundle; circuits side by side where sizes are metric. */
  readonly together: number;
  readonly ambientC: number;
  /** Conductors of one circuit that carry current: two or three. */
  readonly loaded: 2 | 3;
}

/** What a conductor has to do. */
export interface ConductorNeed {
  /** Current it carries, A: continuous loads and sources taken by 125 % before corrections. */
  readonly continuousA: number;
  readonly otherA: number;
  /** The device that protects it, A; null = none does but what is ahead of it. */
  readonly protectedByA: number | null;
  /** Conductors of motors and of sources with a device of their own are not held to 240.4(D): 240.4(G). */
  readonly exemptFromSmall?: boolean;
  /** Rounding up to the next standard device is not allowed: taps (240.21(B)). */
  readonly noRoundingUp?: boolean;
  /** No thinner than this, mm², and by which rule. */
  readonly least?: {
    readonly copperMm2: number;
    readonly aluminiumMm2: number;
    readonly clause: string;
  } | null;
  /** It carries the whole dwelling: 310.12 allows it what nothing else does. */
  readonly wholeDwelling?: boolean;
}

export interface SizedConductor {
  readonly size: ConductorSize;
  readonly material: ConductorMaterial;
  /** What it carries where it lies, A. */
  readonly carriesA: number;
  /** The largest device that may protect it, A. */
  readonly mostDeviceA: number;
  readonly holds: boolean;
  /** '' where it holds; else why not. */
  readonly why: string;
}

/** Continuous currents count for so much, before corrections: 210.19(A), 215.2(A), 705.28 (recalled). */
export const continuousFactor = 1.25;

/**
 * Ampacity of a conductor as it lies, A: corrections begin at the column of its insulation, and no more is taken than the terminals
 * allow (110.14(C)). Metric sizes: method C of IEC 60364-5-52, times the factors for air and grouping.
 *
 * @returns null where the table has no such conductor
 */
export function ampacityAsLaidA(
  { size, material }: Pick<Conductor, 'size' | 'material'>,
  { terminalC, insulationC, together, ambientC, loaded }: Laying,
): number | null {
  if (isMetricSize(size)) {
    const plainA = ampacityA({ size, material }, { columnC: 75, loaded });
    return plainA === null ? null : plainA * iecAmbientFactor(ambientC) * groupingFactor(together);
  }
  const atTerminalsA = ampacityA({ size, material }, { columnC: terminalC, loaded });
  if (atTerminalsA === null) return null;
  const column = material === 'copper' ? 0 : 1;
  const ofInsulationA =
    insulationC === 90
      ? necAmpacity90A.values[size][column]
      : ampacityA({ size, material }, { columnC: insulationC, loaded });
  if (ofInsulationA === null) return null;
  return Math.min(
    atTerminalsA,
    ofInsulationA * ambientFactor(ambientC, insulationC) * bundlingFactor(together),
  );
}

/**
 * Judges one size: its table value at the terminals must carry 125 % of continuous and all other current, its corrected value the
 * current itself, and its device must protect it: the next standard rating is allowed (240.4(B)), never beyond 240.4(D). What carries the whole
 * dwelling holds by 310.12, too.
 */
export function judgeConductor(
  conductor: Pick<Conductor, 'size' | 'material'>,
  need: ConductorNeed,
  laying: Laying,
): SizedConductor {
  const { size, material } = conductor;
  const carriesA = ampacityAsLaidA(conductor, laying);
  if (carriesA === null)
    return {
      size,
      material,
      carriesA: 0,
      mostDeviceA: 0,
      holds: false,
      why: 'the table has none of this metal',
    };
  const { continuousA, otherA, protectedByA } = need;
  const metric = isMetricSize(size);
  const small = metric || need.exemptFromSmall ? undefined : smallConductorsA.values[size];
  const roundedA = metric || need.noRoundingUp ? carriesA : deviceAboveA(carriesA);
  const mostDeviceA = Math.min(roundedA, small?.[material === 'copper' ? 0 : 1] ?? Infinity);
  const byDwelling =
    need.wholeDwelling === true &&
    protectedByA !== null &&
    (wholeDwellingRatingA(conductor) ?? 0) >= protectedByA;
  const judged = (why: string): SizedConductor => ({
    size,
    material,
    carriesA,
    mostDeviceA,
    holds: why === '' || byDwelling,
    why: byDwelling ? '' : why,
  });
  const mustA = metric ? continuousA + otherA : continuousFactor * continuousA + otherA;
  const tableA = metric
    ? carriesA
    : ampacityA(conductor, { columnC: laying.terminalC, loaded: laying.loaded })!;
  const leastMm2 = need.least?.[material === 'copper' ? 'copperMm2' : 'aluminiumMm2'] ?? 0;
  if (conductorAreaMm2(conductor) < leastMm2 - 0.1)
    return judged(`thinner than ${need.least!.clause} allows there`);
  if (tableA < mustA - 1e-9)
    return judged(`carries ${ampsText(tableA)} at its terminals, ${ampsText(mustA)} are needed`);
  if (carriesA < continuousA + otherA - 1e-9)
    return judged(`carries ${ampsText(carriesA)} as it lies, ${ampsText(continuousA + otherA)} flow`);
  if (protectedByA === null || protectedByA <= mostDeviceA + 1e-9) return judged('');
  return judged(
    protectedByA <= roundedA
      ? `${size} is protected at ${mostDeviceA} A at most (240.4(D))`
      : `carries ${ampsText(carriesA)} as it lies: ${ampsText(protectedByA)} do not protect it`,
  );
}

/** The largest device that may protect an ampacity: the next standard rating up to 800 A, else the next one down (240.4(B), (C)). */
const deviceAboveA = (carriesA: number): number =>
  carriesA <= standardBreakersA.values.at(-1)! ? standardBreakerA(carriesA) : carriesA;

/**
 * The smallest conductor that holds, and why each smaller one does not.
 *
 * @returns all sizes up to the one that holds; the last one does, or none of the list does
 */
export function sizeConductor(
  need: ConductorNeed,
  material: ConductorMaterial,
  laying: Laying,
  metric = false,
): readonly SizedConductor[] {
  const tried: SizedConductor[] = [];
  for (const size of conductorSizes.filter((one) => isMetricSize(one) === metric)) {
    const judged = judgeConductor({ size, material }, need, laying);
    tried.push(judged);
    if (judged.holds) break;
  }
  return tried;
}
