import { seasons } from '../../nature/index.js';
import {
  binVA,
  DemandDistribution,
  legShare,
  startShape,
  systemFacts,
  worstRuntime,
} from '../../electric/index.js';
import {
  batteryDrainWh,
  decisiveMoments,
  overloadOfShare,
  runningLimitVA,
  type Stack,
} from '../../equipment/index.js';
import { dayParts, hourlyEnergyWh, type Load, onShare, runningPowerVA } from '../../house/index.js';
import type { DemandContext } from '../margins/demand-context.js';
import type { StackEnergy } from '../margins/stack-energy.js';
import { startDemand } from '../starts/start-demand.js';

/** A ratio up to this counts as holding, as in the margins. */
const slack = 1 + 1e-9;
const tolerance = 1e-9;

/** One load as the limits see it. */
interface Part {
  /** All pieces running, on the whole and on each leg, VA. */
  readonly powersVA: readonly number[];
  /** Share of the time it is on, by case. */
  readonly shares: readonly number[];
  readonly hourlyWh: Float64Array;
  /** Between one leg and neutral: the index of that leg; −1 otherwise. */
  readonly neutralLeg: number;
  /** The demand that may stand beside its start on each axis, VA; null for a load without a surge. */
  readonly besideVA: readonly number[] | null;
  /** Its locked-rotor current is beyond the stack. */
  readonly tooHard: boolean;
}

/** The distribution of a sum, on one axis and in one case, up to its limit. */
interface Cell {
  readonly p: Float64Array;
  /** Highest bin with mass. */
  top: number;
  offsetVA: number;
}

/** A set that grows load by load. Adding never improves a limit, so what does not fit now never fits. */
export interface GrowingSet {
  readonly loads: number[];
  readonly cells: readonly Cell[];
  readonly hourlyWh: Float64Array;
  readonly neutralVA: Float64Array;
}

export type BrokenLimit = 'runtime' | 'continuous' | 'legs' | 'starting';

/**
 * The binding limits of a stack, made for asking thousands of sets of loads the same question: do they hold? The answers
 * are those of the margins.
 */
export class SetLimits {
  private readonly axes: number;
  private readonly cases: number;
  private readonly parts: readonly Part[];
  private readonly limitVA: readonly number[];
  private readonly share: number;
  private readonly neutralLimitVA: number;
  private readonly requiredH: number;
  private readonly drain: (hourlyWh: Float64Array) => Float64Array;

  /** @param loads every load that may be in a set, in an order of the caller's */
  constructor(
    context: DemandContext,
    stack: Stack,
    private readonly energy: StackEnergy,
    loads: readonly Load[],
  ) {
    const { plan, settings } = context;
    const { system } = plan.supply;
    const { legs, legVoltageV } = systemFacts[system];
    this.share = settings.coincidence.value;
    const cases = seasons.flatMap((season) => dayParts.map((part) => ({ season, part })));
    const sharesOf = cases.map(({ season, part }) => loads.map((load) => onShare(load, season, part)));
    // Where every load is on at least as often, demand is at least as high: only the highest cases decide.
    const outdone = (c: number, by: number): boolean =>
      sharesOf[c]!.every((share, i) => share <= sharesOf[by]![i]!) &&
      (by < c || sharesOf[c]!.some((share, i) => share < sharesOf[by]![i]!));
    const distinct = cases.map((_, c) => c).filter((c) => !cases.some((_, by) => by !== c && outdone(c, by)));
    this.cases = distinct.length;
    this.axes = legs.length + 1;
    const wholeVA = runningLimitVA(stack);
    // With one leg the whole decides.
    const legVA = legs.length === 1 ? Math.max(wholeVA, stack.perLegVA) : stack.perLegVA;
    this.limitVA = [wholeVA, ...legs.map(() => legVA)];
    this.neutralLimitVA =
      stack.neutralA === null || legs.length === 1 ? Infinity : stack.neutralA * legVoltageV;
    this.requiredH = plan.brief.goals.outage === 'decides' ? settings.requiredRuntimeH.value : 0;
    const season = settings.designSeason.value;
    const peukert = stack.batteries[0]!.unit.battery!.peukert;
    this.drain = (hourlyWh) => batteryDrainWh(hourlyWh, { ...stack, peukert }, energy.agedWh);
    const legOverload = overloadOfShare(stack.overload, stack.perLegVA / stack.continuousVA);
    this.parts = loads.map((load, index): Part => {
      const onAxis = [1, ...legs.map((leg) => legShare(system, load.legs, leg))];
      const allVA = load.quantity * runningPowerVA(load);
      const start = startDemand(system, load);
      const mayRun = sharesOf.some((shares) => shares[index]! > 0);
      const surges = start !== null && mayRun && onAxis.slice(1).some((part) => part * start.startVA > 0);
      const startAxes = onAxis.map((part, a) => {
        if (!start || part * start.startVA <= 0) return Infinity;
        const runsVA = part * runningPowerVA(load);
        const surgeVA = part * start.startVA;
        const extraVA = (timeS: number): number =>
          runsVA + (surgeVA - runsVA) * startShape(timeS, start.durationS);
        const [ratedVA, curve] =
          a === 0 ? [stack.continuousVA, stack.overload] : [stack.perLegVA, legOverload];
        const roomVA = Math.min(
          ...decisiveMoments(start.durationS, ratedVA, curve).map(
            ({ timeS, allowedVA }) => allowedVA * slack - extraVA(timeS),
          ),
        );
        return roomVA - runsVA * (load.quantity - 1);
      });
      return {
        powersVA: onAxis.map((part) => allVA * part),
        shares: distinct.map((c) => sharesOf[c]![index]!),
        hourlyWh: hourlyEnergyWh(load, season),
        neutralLeg: legs.indexOf(load.legs as (typeof legs)[number]),
        besideVA: surges ? startAxes : null,
        tooHard:
          surges &&
          start.acrossTheLine &&
          stack.lockedRotorA !== null &&
          start.startA > stack.lockedRotorA * slack,
      };
    });
  }

  empty(): GrowingSet {
    const cells: Cell[] = [];
    for (let a = 0; a < this.axes; a += 1) {
      for (let c = 0; c < this.cases; c += 1) {
        const p = new Float64Array(Math.floor((this.limitVA[a]! * slack) / binVA) + 1);
        p[0] = 1;
        cells.push({ p, top: 0, offsetVA: 0 });
      }
    }
    return {
      loads: [],
      cells,
      hourlyWh: new Float64Array(24),
      neutralVA: new Float64Array(this.cases * (this.axes - 1)),
    };
  }

  /** The set with some loads more; the first set is left as it is. */
  with(set: GrowingSet, added: readonly number[]): GrowingSet {
    const next: GrowingSet = {
      loads: [...set.loads],
      cells: set.cells.map(({ p, top, offsetVA }) => ({ p: p.slice(), top, offsetVA })),
      hourlyWh: set.hourlyWh.slice(),
      neutralVA: set.neutralVA.slice(),
    };
    this.grow(next, added);
    return next;
  }

  /** Adds loads to a set in place. */
  grow(set: GrowingSet, added: readonly number[]): void {
    for (const index of added) {
      const { powersVA, shares, hourlyWh, neutralLeg } = this.parts[index]!;
      for (let a = 0; a < this.axes; a += 1) {
        for (let c = 0; c < this.cases; c += 1) {
          this.addTo(set.cells[a * this.cases + c]!, powersVA[a]!, shares[c]!);
        }
      }
      for (let hour = 0; hour < 24; hour += 1) set.hourlyWh[hour]! += hourlyWh[hour]!;
      if (neutralLeg >= 0) {
        for (let c = 0; c < this.cases; c += 1) {
          if (shares[c]! > 0) set.neutralVA[neutralLeg * this.cases + c]! += powersVA[0]!;
        }
      }
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

  /** True where one load more alone breaks running power or the runtime; cheap, and never wrong when it says so. */
  cannotJoin(set: GrowingSet, index: number): boolean {
    const { powersVA, shares, tooHard } = this.parts[index]!;
    if (tooHard) return true;
    for (let a = 0; a < this.axes; a += 1) {
      for (let c = 0; c < this.cases; c += 1) {
        const on = this.share >= 1 && shares[c]! > 0 ? 1 : shares[c]!;
        if (on <= 0 || powersVA[a]! <= 0) continue;
        const cell = set.cells[a * this.cases + c]!;
        const limitVA = this.limitVA[a]! * slack;
        const off = on >= 1 ? 0 : (1 - on) * this.cdf(cell, limitVA);
        // Rounded down to a bin, so that a load which just fits is not refused.
        const bin = on >= 1 ? powersVA[a]! : Math.floor(powersVA[a]! / binVA) * binVA;
        if (off + on * this.cdf(cell, limitVA - bin) < this.share - tolerance) return true;
      }
    }
    return false;
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
      (a.neutralLeg < 0 || a.neutralLeg === b.neutralLeg) &&
      (a.besideVA === null ||
        (b.besideVA !== null && a.besideVA.every((va, i) => va >= b.besideVA![i]! || va === Infinity)))
    );
  }

  /** Does the energy last as long as the brief asks, whenever the outage starts? */
  runtimeHolds(hourlyWh: Float64Array): boolean {
    if (this.requiredH === 0) return true;
    const { runtimeH } = worstRuntime(this.drain(hourlyWh), this.energy.usableWh);
    return this.requiredH / runtimeH <= slack;
  }

  private continuousHolds(set: GrowingSet): boolean {
    for (let c = 0; c < this.cases; c += 1) if (!this.holds(set.cells[c]!, this.limitVA[0]!)) return false;
    return true;
  }

  private legsHold(set: GrowingSet): boolean {
    for (let a = 1; a < this.axes; a += 1) {
      let lineNeutralVA = 0;
      let passed = false;
      for (let c = 0; c < this.cases; c += 1) {
        const cell = set.cells[a * this.cases + c]!;
        if (!this.holds(cell, this.limitVA[a]!)) return false;
        lineNeutralVA = Math.max(lineNeutralVA, set.neutralVA[(a - 1) * this.cases + c]!);
        passed ||= !this.holds(cell, this.neutralLimitVA);
      }
      if (passed && lineNeutralVA > this.neutralLimitVA * slack) return false;
    }
    return true;
  }

  private addTo(cell: Cell, powerVA: number, share: number): void {
    if (powerVA <= 0 || share <= 0) return;
    if (share >= 1 || this.share >= 1) {
      cell.offsetVA += powerVA;
      return;
    }
    const { p } = cell;
    const bin = Math.floor(powerVA / binVA);
    const upperShare = powerVA / binVA - bin;
    const off = 1 - share;
    const lower = share * (1 - upperShare);
    const upper = share * upperShare;
    cell.top = Math.min(p.length - 1, cell.top + bin + 1);
    for (let k = cell.top; k >= 0; k -= 1) {
      let mass = p[k]! * off;
      if (k >= bin) mass += p[k - bin]! * lower;
      if (k >= bin + 1) mass += p[k - bin - 1]! * upper;
      p[k] = mass;
    }
  }

  /** Share of the time at or below a demand. */
  private cdf({ p, top, offsetVA }: Cell, topVA: number): number {
    const last = Math.min(top, Math.floor((topVA - offsetVA) / binVA));
    let sum = 0;
    for (let k = 0; k <= last; k += 1) sum += p[k]!;
    return sum;
  }

  private holds(cell: Cell, limitVA: number): boolean {
    if (limitVA === Infinity) return true;
    return this.cdf(cell, limitVA * slack) >= this.share - tolerance;
  }

  private startsHold(set: GrowingSet): boolean {
    for (const index of set.loads) {
      const part = this.parts[index]!;
      if (part.tooHard) return false;
      if (!part.besideVA) continue;
      for (let a = 0; a < this.axes; a += 1) {
        const besideVA = part.besideVA[a]!;
        if (besideVA === Infinity) continue;
        for (let c = 0; c < this.cases; c += 1) {
          if (part.shares[c]! <= 0) continue;
          const cell = set.cells[a * this.cases + c]!;
          // With the load itself counted as running beside its own start it holds: then it holds without.
          if (besideVA <= this.limitVA[a]! && this.holds(cell, besideVA)) continue;
          if (besideVA > this.limitVA[a]! && this.holds(cell, this.limitVA[a]!)) continue;
          if (besideVA < 0) return false;
          if (this.withoutVA(set, a, c, index) > besideVA) return false;
        }
      }
    }
    return true;
  }

  /** Demand beside one load on an axis in a case, as the margins take it. */
  private withoutVA(set: GrowingSet, axis: number, of: number, without: number): number {
    const powersVA: number[] = [];
    const shares: number[] = [];
    for (const index of set.loads) {
      if (index === without) continue;
      const part = this.parts[index]!;
      powersVA.push(part.powersVA[axis]!);
      shares.push(this.share >= 1 && part.shares[of]! > 0 ? 1 : part.shares[of]!);
    }
    return DemandDistribution.of(powersVA, shares).quantileVA(this.share);
  }
}
