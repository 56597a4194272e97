import { minutesOfYear } from './minutes.js';
import { at, dark } from './outage-state.js';
import { OutageStepper, type Stretch } from './outage-stepper.js';
import type { OutagePlan } from './outage-plan.js';

/** How outages end that begin at the hours of a window. */
export interface OutageFates {
  /** Minutes until the house goes dark for want of energy or is locked out; the horizon where it doesn't. */
  readonly survivedMin: Float32Array;
  /** Index into the causes; 0 where it survives. */
  readonly cause: Uint8Array;
  /** Minutes that were passed, one by one or by the hour, out of those that the outages last in all. */
  readonly steppedMin: number;
}

export interface FateWish {
  /** Hours at whose beginning outages begin. */
  readonly hours: number;
  /** Only every so many hours. */
  readonly everyH?: number;
  /** Only these hours, rising; counts before `everyH`. */
  readonly starts?: readonly number[];
  readonly horizonMin: number;
  /** Charge when the outage begins at an hour of the window, Wh; else that of the plan. */
  readonly chargeAt?: (hour: number) => number;
  /** Without it every outage is played to its end; for measuring and checking. */
  readonly merge?: boolean;
  /** Passes whole hours in one step; where nothing is said, when there are enough outages to be worth the preparation. */
  readonly jumps?: boolean;
  /** Called with how each outage ended; false stops. */
  readonly ended?: (survivedMin: number, cause: number) => boolean;
  /** Called now and then with the share that is done; false stops. */
  readonly goOn?: (share: number) => boolean;
}

/** Hours are prepared for jumps where outages pass every minute of the window so many times. */
const worthJumping = 3;

/**
 * Plays an outage from every hour of a window until the house goes dark or the horizon is reached.
 *
 * Outages that come to be full again, with nothing shed and nothing used up, are alike from that minute on. So the last
 * outage is played first, and every fresh minute it passes remembers that outage; an earlier one that comes to be fresh in the
 * same minute ends the same way. (It ends no later than the horizon of the later one, which reaches further than
 * its own.)
 *
 * @param plan covers the hours and the horizon after the last of them
 */
export function outageFates(plan: OutagePlan, wish: FateWish): OutageFates {
  const { hours, horizonMin, everyH = 1, merge = true } = wish;
  const stepper = new OutageStepper(plan);
  const { state } = stepper;
  const survivedMin = new Float32Array(hours).fill(NaN);
  const cause = new Uint8Array(hours);
  const passed = merge ? new Int32Array(plan.trace.minutes + 1) : null;
  // Of each outage that was played, in order from 1: the minute of the window in which it ended, Infinity for not within its horizon.
  const endsAt = [NaN];
  const endCause = [0];
  let steppedMin = 0;
  const starts =
    wish.starts ?? Array.from({ length: Math.ceil(hours / everyH) }, (_, index) => index * everyH);
  const jumps = wish.jumps ?? starts.length * horizonMin > worthJumping * plan.trace.minutes;
  for (let index = starts.length - 1; index >= 0; index -= 1) {
    const start = starts[index]!;
    if (wish.goOn && index % 64 === 0 && !wish.goOn(1 - start / hours)) break;
    const begin = start * 60;
    const horizon = begin + horizonMin;
    const stretch: Stretch = { untilDark: true, passed, number: endsAt.length, jumps };
    stepper.begin(begin, wish.chargeAt?.(start));
    const minute = stepper.play(begin, horizon, stretch);
    steppedMin += minute - begin;
    let end = Infinity;
    let why = 0;
    const now = state[at.dark]!;
    if (now === dark.empty) {
      end = minute + state[at.servedShare]!;
      why = state[at.cause]!;
    } else if (now === dark.lockedOut) {
      // It was locked out in the minute before, or as the grid went away.
      end = Math.max(begin, minute - 1);
      why = state[at.cause]!;
    } else if (minute < horizon) {
      end = endsAt[passed![minute]!]!;
      why = endCause[passed![minute]!]!;
    }
    endsAt.push(end);
    endCause.push(why);
    const survived = Math.min(end - begin, horizonMin);
    survivedMin[start] = survived;
    cause[start] = survived < horizonMin ? why : 0;
    if (wish.ended && !wish.ended(survived, cause[start]!)) break;
  }
  return { survivedMin, cause, steppedMin };
}

/** Minutes a plan must cover for outages of a horizon from every hour of so many. */
export const windowFor = (hours: number, horizonMin: number): number =>
  Math.min(hours * 60, minutesOfYear) + horizonMin;
