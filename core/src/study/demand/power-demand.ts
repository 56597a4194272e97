import { type Season, seasons } from '../../nature/index.js';
import {
  coincidentDemandVA,
  DemandDistribution,
  lagOf,
  type Leg,
  type SupplySystem,
  systemFacts,
  worstNeutralVA,
} from '../../electric/index.js';
import { type DayPart, dayParts, type Load, onShare, runningPowerVA } from '../../house/index.js';
import { type PowerPart, runsOn, startsOn } from '../output/power-part.js';
import { startDemand, type StartDemand } from '../starts/start-demand.js';
import { worstStartCandidates } from '../starts/worst-start-candidates.js';

/** A demand and the part of the year and day in which it is highest. */
export interface PeakDemand {
  readonly powerVA: number;
  readonly season: Season;
  readonly part: DayPart;
}

/** One load starting on top of what runs beside it. */
export interface StartCase extends StartDemand {
  readonly load: Load;
  /** Everything that runs beside it, VA. */
  readonly besideVA: number;
  /** What the piece that starts draws once it runs, VA. */
  readonly runsVA: number;
  readonly totalVA: number;
  /** What runs beside it, and what the piece draws once it runs, as a battery sees it, W. */
  readonly besideW: number;
  readonly runsW: number;
  /** Highest leg while it starts, and what runs on that leg beside it. */
  readonly leg: Leg;
  readonly legVA: number;
  readonly besideLegVA: number;
  /** What the piece that starts draws on that leg once it runs, VA. */
  readonly runsLegVA: number;
}

export interface PowerDemand {
  /** Demand not passed for the wanted share of the time. */
  readonly coincident: PeakDemand;
  /** The same as a battery sees it: watts, without what only lags. */
  readonly battery: Omit<PeakDemand, 'powerVA'> & { readonly powerW: number };
  /** Plain sum of all that may run in the same part of the day. */
  readonly allAtOnce: PeakDemand;
  readonly byLeg: readonly (PeakDemand & { readonly leg: Leg })[];
  /** What the neutral carries at its worst, as apparent power on one leg, and the leg that returns most through it. */
  readonly neutral: { readonly powerVA: number; readonly leg: Leg; readonly aloneVA: number };
  /** The starts that can be the worst one; those that another outdoes on any inverter are left out. */
  readonly starts: readonly StartCase[];
}

/** A season and part of the day, with the share of it that each load is on. */
interface Case {
  readonly season: Season;
  readonly part: DayPart;
  readonly shares: Float64Array;
}

/** Cases in which all loads run for the same shares have the same demand; one of them is enough. */
const distinctCases = (loads: readonly Load[]): Case[] => {
  const known = new Map<string, Case>();
  for (const season of seasons) {
    for (const part of dayParts) {
      const shares = Float64Array.from(loads, (load) => onShare(load, season, part));
      const key = shares.join();
      if (!known.has(key)) known.set(key, { season, part, shares });
    }
  }
  return [...known.values()];
};

/**
 * What a set of loads asks of the inverter: running, per leg, and starting, in the worst part of the day of any season.
 *
 * Loads are taken as independent; volt-amperes are added arithmetically, which is on the safe side of their phasor sum.
 * Pieces of one row (quantity) run together but start one after the other.
 *
 * @param share share of the time the running demand must not be passed; 1 takes everything at once
 */
export function powerDemand(system: SupplySystem, backupSet: readonly Load[], share: number): PowerDemand {
  const { legs } = systemFacts[system];
  const allVA = (load: Load): number => load.quantity * runningPowerVA(load);
  const loads = backupSet.toSorted((a, b) => allVA(a) - allVA(b));
  const cases = distinctCases(loads);
  /** The last one stands for the battery, in W. */
  const parts: readonly PowerPart[] = ['whole', ...legs, 'battery'];
  const axesVA = parts.map((part) =>
    Float64Array.from(loads, (load) => load.quantity * runsOn(system, load, part)),
  );
  const wholeVA = axesVA[0]!;
  const ofBattery = axesVA.length - 1;

  /** Demand of everything, by axis and case. */
  const distributions =
    share < 1
      ? axesVA.map((powersVA) => cases.map(({ shares }) => DemandDistribution.of(powersVA, shares)))
      : null;
  const demandVA = axesVA.map((powersVA, a) =>
    cases.map(({ shares }, c) =>
      distributions ? distributions[a]![c]!.quantileVA(share) : coincidentDemandVA(powersVA, shares, share),
    ),
  );
  const peak = (byCaseVA: readonly number[]): PeakDemand => {
    const highest = byCaseVA.reduce((best, va, i) => (va > byCaseVA[best]! ? i : best), 0);
    const { season, part } = cases[highest] ?? { season: 'winter', part: 'night' };
    return { powerVA: byCaseVA[highest] ?? 0, season, part };
  };
  const plainSum = (powersVA: Float64Array): PeakDemand =>
    peak(cases.map(({ shares }) => coincidentDemandVA(powersVA, shares, 1)));

  /**
   * Highest demand on an axis beside one load, over the cases in which it may start. Leaving a load out never raises the
   * demand, so cases are tried from the highest down until the next cannot pass what was found.
   */
  const demandBesideVA = (axisIndex: number, index: number, active: readonly boolean[]): number => {
    const allVA = demandVA[axisIndex]!;
    const order = cases
      .map((_, i) => i)
      .filter((i) => active[i])
      .sort((a, b) => allVA[b]! - allVA[a]!);
    let highestVA = 0;
    for (const i of order) {
      if (allVA[i]! <= highestVA) break;
      const { shares } = cases[i]!;
      const powersVA = axesVA[axisIndex]!;
      const rest = distributions?.[axisIndex]![i]!.without(powersVA[index]!, shares[index]!);
      const besideVA = rest ? rest.quantileVA(share) : coincidentDemandVA(powersVA, shares, share, index);
      highestVA = Math.max(highestVA, besideVA);
    }
    return highestVA;
  };

  const starters = loads.flatMap((load, index) => {
    const start = startDemand(system, load);
    const active = cases.map(({ shares }) => shares[index]! > 0);
    const surgeVA = start ? parts.map((part) => startsOn(system, load, start.startVA, part)) : [];
    // A surge too small to be put on a leg in floating point is none.
    const surges = legs.some((_, l) => surgeVA[l + 1]! > 0);
    return start && surges && active.includes(true)
      ? [
          {
            ...start,
            load,
            index,
            active,
            pieces: load.quantity,
            runningVA: axesVA.map((powersVA) => powersVA[index]!),
            surgeVA,
          },
        ]
      : [];
  });
  const starts = worstStartCandidates(starters).map((candidate): StartCase => {
    const { index, active, runningVA, surgeVA, pieces, ...start } = starters[candidate]!;
    const besideVA = axesVA.map((_, a) => {
      if (surgeVA[a] === 0) return 0;
      const siblingsVA = (runningVA[a]! / pieces) * (pieces - 1);
      return siblingsVA + demandBesideVA(a, index, active);
    });
    const worst = legs
      .map((leg, l) => ({
        leg,
        legVA: besideVA[l + 1]! + surgeVA[l + 1]!,
        besideLegVA: besideVA[l + 1]!,
        runsLegVA: runningVA[l + 1]! / pieces,
      }))
      .filter((_, l) => surgeVA[l + 1]! > 0)
      .reduce((best, next) => (next.legVA > best.legVA ? next : best));
    return {
      load: start.load,
      startVA: start.startVA,
      startA: start.startA,
      durationS: start.durationS,
      acrossTheLine: start.acrossTheLine,
      besideVA: besideVA[0]!,
      runsVA: runningVA[0]! / pieces,
      totalVA: besideVA[0]! + start.startVA,
      besideW: besideVA[ofBattery]!,
      runsW: runningVA[ofBattery]! / pieces,
      ...worst,
    };
  });

  /** Only loads between a leg and neutral return through it: all that runs there, and no more than stands on the leg. */
  const worstReturn = (): PowerDemand['neutral'] => {
    const lags = loads.map(({ powerFactor }) => lagOf(powerFactor));
    let worst: PowerDemand['neutral'] = { powerVA: 0, leg: legs[0]!, aloneVA: 0 };
    cases.forEach(({ shares }, c) => {
      const range = { least: Math.PI / 2, most: 0 };
      const returns = legs.map((leg, l) => {
        let sumVA = 0;
        loads.forEach((load, i) => {
          if (load.legs !== leg || shares[i]! <= 0) return;
          sumVA += wholeVA[i]!;
          range.least = Math.min(range.least, lags[i]!);
          range.most = Math.max(range.most, lags[i]!);
        });
        return { leg, powerVA: Math.min(demandVA[l + 1]![c]!, sumVA) };
      });
      const powerVA = worstNeutralVA(system, returns, range);
      if (powerVA <= worst.powerVA) return;
      const most = returns.reduce((a, b) => (b.powerVA > a.powerVA ? b : a));
      worst = { powerVA, leg: most.leg, aloneVA: most.powerVA };
    });
    return worst;
  };

  const byLeg = legs.map((leg, l) => ({ leg, ...peak(demandVA[l + 1]!) }));
  const { powerVA: powerW, ...when } = peak(demandVA[ofBattery]!);
  return {
    coincident: peak(demandVA[0]!),
    battery: { powerW, ...when },
    allAtOnce: plainSum(wholeVA),
    byLeg,
    neutral: worstReturn(),
    starts,
  };
}
