import type { Season } from '../../nature/index.js';
import {
  DemandDistribution,
  differenceQuantile,
  type Leg,
  legShare,
  type SupplySystem,
  systemFacts,
} from '../../electric/index.js';
import {
  type DayPart,
  dayPartFacts,
  dayParts,
  type Load,
  onShare,
  runningPowerVA,
} from '../../house/index.js';

/** What the loads of a set ask for in one part of a day, on one axis. */
export interface DemandBand {
  readonly meanVA: number;
  readonly medianVA: number;
  readonly p95VA: number;
  readonly p999VA: number;
  /** Everything that may run in this part of the day, at once. */
  readonly sumVA: number;
  /** Share of the time the limit is passed. */
  readonly aboveLimit: number;
}

/** The bands of one part of the day. */
export interface PartBands {
  readonly part: DayPart;
  readonly whole: DemandBand;
  readonly legs: readonly DemandBand[];
  /**
   * Current in the neutral of split phase that is not passed for 99.9 % of the time where loads lag alike, A; null for stars, where
   * legs do not simply cancel.
   */
  readonly neutralP999A: number | null;
}

export interface DemandBands {
  readonly season: Season;
  readonly legs: readonly Leg[];
  readonly parts: Readonly<Record<DayPart, PartBands>>;
}

/**
 * Running demand of a set through the day as a distribution: of the whole and of each leg.
 *
 * Loads are on for their share of the part of the day, independently of each other; the distribution of their sum is exact.
 * Hours of one part of the day are alike.
 *
 * @param limits what whole and leg may carry, VA; the chance of passing them is worked out
 */
export function demandBands(
  system: SupplySystem,
  loads: readonly Load[],
  season: Season,
  limits: { readonly wholeVA: number; readonly legVA: number },
): DemandBands {
  const { legs, legVoltageV } = systemFacts[system];
  const sorted = loads.toSorted((a, b) => a.quantity * runningPowerVA(a) - b.quantity * runningPowerVA(b));
  const powersVA = sorted.map((load) => load.quantity * runningPowerVA(load));
  const onLeg = (leg: Leg): number[] =>
    sorted.map((load, i) => powersVA[i]! * legShare(system, load.legs, leg));
  const axes = [powersVA, ...legs.map(onLeg)];
  const bandOf = (axis: readonly number[], shares: readonly number[], limitVA: number): DemandBand => {
    const distribution = DemandDistribution.of(axis, shares);
    return {
      meanVA: distribution.meanVA(),
      medianVA: distribution.quantileVA(0.5),
      p95VA: distribution.quantileVA(0.95),
      p999VA: distribution.quantileVA(0.999),
      sumVA: axis.reduce((sum, va, i) => sum + (shares[i]! > 0 ? va : 0), 0),
      aboveLimit: distribution.shareAbove(limitVA),
    };
  };
  const partOf = (part: DayPart): PartBands => {
    const shares = sorted.map((load) => onShare(load, season, part));
    const [whole, ...byLeg] = axes.map((axis, a) =>
      bandOf(axis, shares, a === 0 ? limits.wholeVA : limits.legVA),
    );
    // Only loads between leg and neutral return through the neutral.
    const lineNeutral = legs.map((leg) => sorted.map((load, i) => (load.legs === leg ? powersVA[i]! : 0)));
    return {
      part,
      whole: whole!,
      legs: byLeg,
      neutralP999A:
        system === 'split-120-240'
          ? differenceQuantile(
              DemandDistribution.of(lineNeutral[0]!, shares),
              DemandDistribution.of(lineNeutral[1]!, shares),
              0.999,
            ) / legVoltageV
          : null,
    };
  };
  const parts = Object.fromEntries(dayParts.map((part) => [part, partOf(part)])) as DemandBands['parts'];
  return { season, legs, parts };
}

/** One value for each clock hour of the day, from the bands of its part. */
export function bandsByHour<T>(bands: DemandBands, value: (part: PartBands) => T): T[] {
  const byHour = new Array<T>(24);
  for (const part of dayParts) {
    const of = value(bands.parts[part]);
    for (const hour of dayPartFacts[part].hours) byHour[hour] = of;
  }
  return byHour;
}
