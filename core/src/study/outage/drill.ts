import type { Load } from '../../house/index.js';
import type { PowerPart } from '../output/power-part.js';
import { markOverloads } from './mark-overloads.js';
import type { OverloadAxis } from '../output/overload-axes.js';
import { startMark } from './overload-minutes.js';
import { PickupMarks } from './pickup-marks.js';
import { startSteps, stepsBetween, type Step } from './switching-steps.js';
import type { TracedLoad } from './traced-house.js';
import { wholeHouse } from './whole-house.js';
import { outagePlan, type OutageYear } from './outage-plan.js';
import { at, causes, dark, darkWords, flow, type Cause, resetLockOut } from './outage-state.js';
import { OutageStepper } from './outage-stepper.js';
import { shareOfMinute } from './share-of-minute.js';

/** A load in the user's hands. */
export interface DrillLoad {
  readonly load: Load;
  readonly closed: boolean;
  /** Power it takes now, W; 0 while its thermostat or its user does not want it. */
  readonly nowW: number;
}

/** How the house stands after a minute of a drill. */
export interface DrillNow {
  /** Minutes since the outage began. */
  readonly minute: number;
  readonly charge: number;
  readonly demandW: number;
  readonly sunW: number;
  readonly sunUsedW: number;
  readonly generatorW: number;
  readonly batteryW: number;
  /** What is asked of each part against what it carries for as long as one likes: VA, of the battery W. */
  readonly shares: readonly {
    readonly part: PowerPart;
    readonly demandVA: number;
    readonly limitVA: number;
  }[];
  readonly state: 'lit' | 'tripped' | 'locked-out' | 'empty';
  readonly cause: Cause;
  readonly over: boolean;
}

/**
 * An outage in the user's hands: circuits are opened and closed while it runs, trips happen and are reset by hand. Uses the
 * same minute of physics as every other outage.
 */
export class OutageDrill {
  readonly loads: readonly TracedLoad[];
  private readonly closed = new Set<string>();
  private readonly justClosed = new Set<string>();
  private readonly stepper: OutageStepper;
  private readonly plan;
  private minute = 0;
  /** Switching of the minutes that an overload or a start may reach over from. */
  private recent: Step[] = [];
  private readonly lookBackMin: number;

  /**
   * @param year its loads may all be closed, those of the dark lane too
   * @param minutes how long the grid stays away
   */
  constructor(
    year: OutageYear,
    fromMinute: number,
    private readonly minutes: number,
  ) {
    const house = wholeHouse(year);
    this.loads = house.loads;
    for (const { load } of year.house.loads) this.closed.add(load.id);
    const empty = {
      ...year,
      house: { ...house, loads: [], thresholds: [] },
      thresholdsWh: new Float64Array(0),
    };
    // Here a lock-out waits for the user, and so does a trip.
    const hardware = { ...year.hardware, resetAfterMin: Infinity };
    const plain = outagePlan({ ...empty, hardware }, Math.floor(fromMinute / 60) * 60, minutes);
    // Motors that are closed as the grid goes start again after the gap, as in every outage.
    const pickups = new PickupMarks(year.house, plain.trace, hardware.axes, year.stack.transferGapMs);
    this.plan = { ...plain, pickups };
    const held = hardware.axes.flatMap(({ levels }) => levels.map(({ heldS }) => heldS));
    this.lookBackMin = 1 + Math.ceil(Math.max(0, ...held, ...house.loads.map(({ surgeS }) => surgeS)) / 60);
    this.stepper = new OutageStepper(this.plan);
    this.stepper.begin(0);
  }

  get over(): boolean {
    return this.minute >= this.minutes;
  }

  isClosed(loadId: string): boolean {
    return this.closed.has(loadId);
  }

  /** Opens or closes what feeds a load. */
  turn(loadId: string, closed: boolean): void {
    if (closed === this.closed.has(loadId)) return;
    if (closed) {
      this.closed.add(loadId);
      this.justClosed.add(loadId);
    } else this.closed.delete(loadId);
  }

  /** Resets an inverter that has locked out. */
  reset(): void {
    if (!resetLockOut(this.stepper.state)) return;
    for (const { load } of this.loads) if (this.closed.has(load.id)) this.justClosed.add(load.id);
  }

  /** Plays the next minute. */
  next(): DrillNow {
    const { minute, plan, stepper } = this;
    const running = this.loads.filter(({ load }) => this.closed.has(load.id));
    const { axes, axesBeside } = plan.hardware;
    const steps = stepsBetween(running, plan.trace, minute, minute + 1);
    for (const load of running) {
      // What is switched on while its thermostat calls starts now.
      if (!this.justClosed.has(load.load.id) || load.surgeVA === 0 || this.nowW(load, minute) === 0) continue;
      steps.push(...startSteps(load, minute));
    }
    this.justClosed.clear();
    this.recent = [...folded(this.recent, minute - this.lookBackMin, axes.length), ...steps].toSorted(
      (a, b) => a.at - b.at,
    );
    for (const [limits, marks] of [
      [axes, plan.overloads[0]!],
      [axesBeside ?? axes, plan.overloadsBeside[0]!],
    ] as const) {
      const mark = this.markOf(this.recent, limits);
      const byRunning =
        mark > 0 &&
        this.markOf(
          this.recent.filter(({ surge }) => !surge),
          limits,
        ) > 0;
      marks[minute] = mark > 0 && !byRunning ? mark + startMark : mark;
    }
    plan.trace.demandW[0]![minute] = running.reduce((sum, load) => sum + this.nowW(load, minute), 0);
    const highest = axes.map(() => 0);
    const now = axes.map(() => 0);
    for (const { at: when, deltaVA } of this.recent) {
      if (when >= minute + 1) continue;
      for (let axis = 0; axis < axes.length; axis += 1) {
        now[axis]! += deltaVA[axis]!;
        if (when >= minute) highest[axis] = Math.max(highest[axis]!, now[axis]!);
      }
    }
    stepper.step(minute);
    this.minute += 1;
    const { state, flows } = stepper;
    const lit = state[at.dark] === dark.lit;
    return {
      minute: this.minute,
      charge: state[at.chargeWh]! / plan.hardware.usableWh,
      demandW: lit ? flows[flow.servedW]! : 0,
      sunW: flows[flow.sunW]!,
      sunUsedW: flows[flow.sunUsedW]!,
      generatorW: flows[flow.generatorW]!,
      batteryW: flows[flow.drainW]! - flows[flow.storedW]!,
      shares: axes.map(({ part, levels }, axis) => ({
        part,
        demandVA: highest[axis]!,
        limitVA: levels[0]!.aboveVA,
      })),
      state: lit ? 'lit' : darkWords[state[at.dark]!]!,
      cause: lit ? 'none' : causes[state[at.cause]!]!,
      over: this.over,
    };
  }

  /** Does this minute trip, with what went before? See {@link markOverloads}. */
  private markOf(steps: readonly Step[], axes: readonly OverloadAxis[]): number {
    const { minute } = this;
    const marks = new Uint8Array(minute + 1);
    markOverloads(steps, axes, Math.max(0, minute - this.lookBackMin), minute + 1, marks);
    return marks[minute]!;
  }

  /** Power a load takes in a minute when it is closed, W. */
  nowW({ cycles, powerW }: TracedLoad, minute = Math.max(0, this.minute - 1)): number {
    return powerW * shareOfMinute(cycles, this.plan.trace.fromMinute + minute);
  }
}

/** Steps before a minute as one at it, so that a list does not grow for ever. */
function folded(steps: readonly Step[], minute: number, axes: number): Step[] {
  const before = new Float64Array(axes);
  const kept: Step[] = [];
  for (const step of steps) {
    if (step.at >= minute) kept.push(step);
    else for (let axis = 0; axis < axes; axis += 1) before[axis]! += step.deltaVA[axis]!;
  }
  return [{ at: minute, deltaVA: before, surge: false }, ...kept];
}
