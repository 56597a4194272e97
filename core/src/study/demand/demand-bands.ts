import type { Season } from '../../nature/index.js';
import {
  DemandDistribution,
  differenceQuantile,
  type SupplySystem,
  systemFacts,
} from '../../electric/index.js';
import { type PowerPart, runsOn } from '../output/power-part.js';
import { type DayPart, dayPartFacts, dayParts, type Load, onShare } from '../../house/index.js';

/** What the loads of a set ask of one part of the output in one part of a day: VA, of the battery W. */
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
  /** In the order of {@link DemandBands.of}. */
  readonly bands: readonly DemandBand[];
  /**
   * Current in the neutral of split phase that is not passed for 99.9 % of the time where loads lag alike, A; null for stars, where
   * legs do not simply cancel.
   */
  readonly neutralP999A: number | null;
}

export interface DemandBands {
  readonly season: Season;
  readonly of: readonly PowerPart[];
  readonly parts: Readonly<Record<DayPart, PartBands>>;
}

/**
 * Running demand of a set through the day as a distribution, on several parts of the output.
 *
 * Loads are on for their share of the part of the day, independently of each other; the distribution of their sum is exact.
 * Hours of one part of the day are alike.
 *
 * @param limits what each of them carries, VA, of the battery W; the chance of passing it is worked out
 */
export function demandBands(
  system: SupplySystem,
  loads: readonly Load[],
  season: Season,
  limits: readonly { readonly part: PowerPart; readonly limitVA: number }[],
): DemandBands {
  const { legs, legVoltageV } = systemFacts[system];
  const allOn = (load: Load, part: PowerPart): number => load.quantity * runsOn(system, load, part);
  const sorted = loads.toSorted((a, b) => allOn(a, 'whole') - allOn(b, 'whole'));
  const powersVA = sorted.map((load) => allOn(load, 'whole'));
  const axes = limits.map(({ part, limitVA }) => ({
    powers: sorted.map((load) => allOn(load, part)),
    limitVA,
  }));
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
    const bands = axes.map(({ powers, limitVA }) => bandOf(powers, shares, limitVA));
    // Only loads between leg and neutral return through the neutral.
    const lineNeutral = legs.map((leg) => sorted.map((load, i) => (load.legs === leg ? powersVA[i]! : 0)));
    return {
      part,
      bands,
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
  return { season, of: limits.map(({ part }) => part), parts };
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
