import {
  BoundedDemand,
  DemandDistribution,
  type LagRange,
  systemFacts,
  worstNeutralVA,
  worstRuntime,
} from '../../../electric/index.js';
import type { Stack } from '../../../equipment/index.js';
import type { Load } from '../../../house/index.js';
import { isLeg } from '../../output/power-part.js';
import type { DemandContext } from '../../margins/demand-context.js';
import type { StackEnergy } from '../../margins/stack-energy.js';
import { decidingCases } from './deciding-cases.js';
import { limitedStack, type LimitedStack } from './limited-stack.js';
import { setPart, type SetPart, slack } from './set-part.js';

const tolerance = 1e-9;

/** A set that grows load by load. Adding never improves a limit, so what does not fit now never fits. */
export interface GrowingSet {
  readonly loads: number[];
  /** By axis, then by case. */
  readonly demands: readonly (readonly BoundedDemand[])[];
  readonly hourlyWh: Float64Array;
  /** Loads between a leg and neutral: by leg, then by case, VA. */
  readonly neutralVA: readonly Float64Array[];
  /** How far those lag, least and most, by case. */
  readonly lags: readonly { least: number; most: number }[];
}

export type BrokenLimit = 'runtime' | 'continuous' | 'legs' | 'starting';

/**
 * The binding limits of a stack, made for asking thousands of sets of loads the same question: do they hold? A property test
 * holds the answers to those of the margins, whose limits ({@link limitedStack}) and starts ({@link setPart}) these are.
 */
export class SetLimits {
  private readonly stack: LimitedStack;
  private readonly parts: readonly SetPart[];
  private readonly caseCount: number;
  /** Share of the time in which demand must stay within its limit; 1 takes everything at once. */
  private readonly share: number;

  /** @param loads every load that may be in a set, in an order of the caller's */
  constructor(context: DemandContext, stack: Stack, energy: StackEnergy, loads: readonly Load[]) {
    const { plan, settings } = context;
    const cases = decidingCases(loads);
    this.stack = limitedStack(context, stack, energy);
    this.caseCount = cases.length;
    this.share = settings.coincidence.value;
    this.parts = loads.map((load, index) =>
      setPart(
        load,
        cases.map(({ shares }) => shares[index]!),
        plan.supply.system,
        settings.designSeason.value,
        this.stack,
      ),
    );
  }

  empty(): GrowingSet {
    const { axes, system } = this.stack;
    const eachCase = Array.from({ length: this.caseCount });
    return {
      loads: [],
      demands: axes.map(({ limitVA }) => eachCase.map(() => BoundedDemand.upTo(limitVA * slack))),
      hourlyWh: new Float64Array(24),
      neutralVA: systemFacts[system].legs.map(() => new Float64Array(this.caseCount)),
      lags: eachCase.map(() => ({ least: Math.PI / 2, most: 0 })),
    };
  }

  /** The set with some loads more; the first set is left as it is. */
  with(set: GrowingSet, added: readonly number[]): GrowingSet {
    const next: GrowingSet = {
      loads: [...set.loads],
      demands: set.demands.map((byCase) => byCase.map((demand) => demand.copy())),
      hourlyWh: set.hourlyWh.slice(),
      neutralVA: set.neutralVA.map((byCase) => byCase.slice()),
      lags: set.lags.map((range) => ({ ...range })),
    };
    this.grow(next, added);
    return next;
  }

  /** Adds loads to a set in place. */
  grow(set: GrowingSet, added: readonly number[]): void {
    for (const index of added) {
      const part = this.parts[index]!;
      set.demands.forEach((byCase, axis) => {
        byCase.forEach((demand, of) => demand.add(part.powersVA[axis]!, this.countedShare(part, of)));
      });
      for (let hour = 0; hour < 24; hour += 1) set.hourlyWh[hour]! += part.hourlyWh[hour]!;
      const neutralVA = set.neutralVA[part.neutralLeg];
      part.shares.forEach((share, of) => {
        if (!neutralVA || share <= 0) return;
        neutralVA[of]! += part.powersVA[0]!;
        const range = set.lags[of]!;
        range.least = Math.min(range.least, part.lag);
        range.most = Math.max(range.most, part.lag);
      });
      set.loads.push(index);
    }
  }

  /** The first limit a set breaks; null where it holds. */
  broken(set: GrowingSet): BrokenLimit | null {
    return this.runtimeHolds(set.hourlyWh) ? this.brokenPower(set) : 'runtime';
  }

  /** The same without the runtime. */
  brokenPower(set: GrowingSet): BrokenLimit | null {
    if (!this.continuousHolds(set)) return 'continuous';
    if (!this.legsHold(set)) return 'legs';
    return this.startsHold(set) ? null : 'starting';
  }

  /** Every limit a set breaks. */
  allBroken(set: GrowingSet): BrokenLimit[] {
    return [
      ...(this.runtimeHolds(set.hourlyWh) ? [] : (['runtime'] as const)),
      ...(this.continuousHolds(set) ? [] : (['continuous'] as const)),
      ...(this.startsHold(set) ? [] : (['starting'] as const)),
      ...(this.legsHold(set) ? [] : (['legs'] as const)),
    ];
  }

  /** True where one load more alone breaks running power; cheap, and never wrong when it says so. */
  cannotJoin(set: GrowingSet, index: number): boolean {
    const part = this.parts[index]!;
    return (
      part.tooHard ||
      set.demands.some((byCase, axis) => byCase.some((demand, of) => this.overflows(demand, part, axis, of)))
    );
  }

  private overflows(demand: BoundedDemand, part: SetPart, axis: number, of: number): boolean {
    const powerVA = part.powersVA[axis]!;
    const on = this.countedShare(part, of);
    if (on <= 0 || powerVA <= 0) return false;
    const limitVA = this.stack.axes[axis]!.limitVA * slack;
    const off = on >= 1 ? 0 : (1 - on) * demand.shareUpTo(limitVA);
    // Rounded down to a bin, so that a load which just fits is not refused.
    const leastVA = on >= 1 ? powerVA : BoundedDemand.binBelowVA(powerVA);
    return off + on * demand.shareUpTo(limitVA - leastVA) < this.share - tolerance;
  }

  /** Energy of a load on a day, Wh. */
  dayWh(index: number): number {
    return this.parts[index]!.hourlyWh.reduce((sum, wh) => sum + wh, 0);
  }

  /** Is every demand of one load at most that of the other? Then it can take the other's place in any set that holds. */
  isLighter(light: number, heavy: number): boolean {
    const a = this.parts[light]!;
    const b = this.parts[heavy]!;
    return (
      !a.tooHard &&
      a.powersVA.every((va, i) => va <= b.powersVA[i]!) &&
      a.shares.every((share, i) => share <= b.shares[i]!) &&
      a.hourlyWh.every((wh, i) => wh <= b.hourlyWh[i]!) &&
      (a.neutralLeg < 0 || (a.neutralLeg === b.neutralLeg && a.lag === b.lag)) &&
      (a.besideVA === null ||
        (b.besideVA !== null && a.besideVA.every((va, i) => va >= b.besideVA![i]! || va === Infinity)))
    );
  }

  /** Does the energy last as long as the brief asks, whenever the outage starts? */
  runtimeHolds(hourlyWh: Float64Array): boolean {
    const { requiredH, usableWh, drainWh } = this.stack;
    return requiredH === 0 || requiredH / worstRuntime(drainWh(hourlyWh), usableWh).runtimeH <= slack;
  }

  private continuousHolds({ demands }: GrowingSet): boolean {
    return this.stack.axes.every(
      ({ part, limitVA }, axis) =>
        isLeg(part) || demands[axis]!.every((demand) => this.holds(demand, limitVA)),
    );
  }

  private legsHold(set: GrowingSet): boolean {
    return (
      this.stack.axes.every(
        ({ part, limitVA }, axis) =>
          !isLeg(part) || set.demands[axis]!.every((demand) => this.holds(demand, limitVA)),
      ) && set.lags.every((range, of) => this.neutralHolds(set, of, range))
    );
  }

  /** What returns through the neutral at its worst: all that runs there, and no more than stands on each leg. */
  private neutralHolds({ demands, neutralVA }: GrowingSet, of: number, range: LagRange): boolean {
    const { neutralLimitVA, system } = this.stack;
    if (neutralLimitVA === Infinity) return true;
    const limitVA = neutralLimitVA * slack;
    if (neutralVA.reduce((sum, byCase) => sum + byCase[of]!, 0) <= limitVA) return true;
    const returns = systemFacts[system].legs.map((leg, index) => ({
      leg,
      powerVA: Math.min(neutralVA[index]![of]!, demands[index + 1]![of]!.quantileVA(this.share)),
    }));
    return worstNeutralVA(system, returns, range) <= limitVA;
  }

  private startsHold(set: GrowingSet): boolean {
    return set.loads.every((index) => {
      const { tooHard, besideVA } = this.parts[index]!;
      if (tooHard) return false;
      return besideVA?.every((roomVA, axis) => this.startHolds(set, index, axis, roomVA)) ?? true;
    });
  }

  /** Whether what runs beside a start leaves it the room it needs on an axis, in every case in which it may start. */
  private startHolds(set: GrowingSet, index: number, axis: number, roomVA: number): boolean {
    if (roomVA === Infinity) return true;
    const { limitVA } = this.stack.axes[axis]!;
    return this.parts[index]!.shares.every((share, of) => {
      if (share <= 0) return true;
      // With the load itself counted as running beside its own start it holds: then it holds without.
      if (this.holds(set.demands[axis]![of]!, Math.min(roomVA, limitVA))) return true;
      return roomVA >= 0 && this.withoutVA(set, axis, of, index) <= roomVA;
    });
  }

  /** Demand beside one load on an axis in a case, as the margins take it. */
  private withoutVA(set: GrowingSet, axis: number, of: number, without: number): number {
    const others = set.loads.filter((index) => index !== without).map((index) => this.parts[index]!);
    return DemandDistribution.of(
      others.map(({ powersVA }) => powersVA[axis]!),
      others.map((part) => this.countedShare(part, of)),
    ).quantileVA(this.share);
  }

  private holds(demand: BoundedDemand, limitVA: number): boolean {
    return limitVA === Infinity || demand.shareUpTo(limitVA * slack) >= this.share - tolerance;
  }

  /** Where everything is taken at once, what runs at all runs always. */
  private countedShare({ shares }: SetPart, of: number): number {
    return this.share >= 1 && shares[of]! > 0 ? 1 : shares[of]!;
  }
}
