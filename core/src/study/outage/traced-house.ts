import { countsInEnergy, type Member } from '../demand/power-members.js';
import { legShare, type SupplySystem, systemFacts } from '../../electric/index.js';
import { type Load, runningPowerVA, type Tier } from '../../house/index.js';
import type { Scenario } from '../../design/index.js';
import { startDemand } from '../starts/start-demand.js';
import type { DayFactors } from './day-factors.js';
import { loadCycles, type LoadCycles } from './load-cycles.js';
import { useKept } from './saving-household.js';

/** How a load is kept off. */
export type Kept = 'always' | 'by-charge' | 'where-room';

/** A load that an outage may serve, with everything that is asked of it minute by minute. */
export interface TracedLoad {
  readonly load: Load;
  readonly tier: Tier;
  readonly cycles: LoadCycles;
  /** Share of its hours of use that the household keeps. */
  readonly useFactor: number;
  readonly kept: Kept;
  /** Stage of shedding from which on it is off; Infinity where the charge never sheds it. */
  readonly offFromStage: number;
  readonly powerW: number;
  readonly powerVA: number;
  /** Of powerVA, on each leg of the supply. */
  readonly legVA: readonly number[];
  /** While one piece starts, on top of running: VA, and for how long; 0 for none. */
  readonly surgeVA: number;
  /** The same as the battery sees it, W: all of a start counts as watts, see {@link startsOn}. */
  readonly surgeW: number;
  readonly surgeS: number;
  /** Circuits of a lower order are shed first. */
  readonly order: number;
}

/** Part of a load's start on a leg, VA. */
export const surgeOnLegVA = ({ surgeVA, powerVA, legVA }: TracedLoad, leg: number): number =>
  powerVA > 0 ? surgeVA * (legVA[leg]! / powerVA) : 0;

export interface TracedHouse {
  readonly system: SupplySystem;
  readonly loads: readonly TracedLoad[];
  /** Shares of the charge below which something is shed, highest first: stage 0 lies above the first. */
  readonly thresholds: readonly number[];
}

export interface HouseHabits {
  readonly seed: number;
  readonly latitudeDeg: number;
  readonly factors: DayFactors;
  readonly household: Scenario['household'];
  readonly handsOn: boolean;
  /** Cycles that are known already; worked out where nothing is said. */
  readonly cyclesOf?: (load: Load, useFactor: number) => LoadCycles;
}

/** The loads of a backup set as an outage plays them. */
export function traceHouse(
  system: SupplySystem,
  members: readonly Member[],
  habits: HouseHabits,
): TracedHouse {
  const counted = members.filter((member) => countsInEnergy(member, habits.handsOn));
  const thresholds = [
    ...new Set(counted.flatMap(({ shed }) => (shed?.when === 'charge' ? [shed.belowCharge] : []))),
  ].toSorted((a, b) => b - a);
  const { legs } = systemFacts[system];
  const cyclesOf =
    habits.cyclesOf ??
    ((load: Load, useFactor: number) =>
      loadCycles(load, habits.seed, habits.latitudeDeg, habits.factors, useFactor));
  const loads = counted.flatMap(({ load, shed }): TracedLoad[] => {
    const useFactor = useKept[habits.household][load.tier];
    if (useFactor === 0) return [];
    const start = startDemand(system, load);
    const powerVA = load.quantity * runningPowerVA(load);
    return [
      {
        load,
        tier: load.tier,
        cycles: cyclesOf(load, useFactor),
        useFactor,
        kept: shed?.when === 'charge' ? 'by-charge' : shed?.when === 'power' ? 'where-room' : 'always',
        offFromStage: shed?.when === 'charge' ? thresholds.indexOf(shed.belowCharge) + 1 : Infinity,
        powerW: load.quantity * load.runningPowerW,
        powerVA,
        legVA: legs.map((leg) => powerVA * legShare(system, load.legs, leg)),
        surgeVA: start ? Math.max(0, start.startVA - runningPowerVA(load)) : 0,
        surgeW: start ? Math.max(0, start.startVA - load.runningPowerW) : 0,
        surgeS: start?.durationS ?? 0,
        order: shed?.order ?? 99,
      },
    ];
  });
  return { system, loads, thresholds };
}
