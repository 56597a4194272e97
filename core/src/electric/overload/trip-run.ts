import type { TripLevel } from './trip-level.js';

/** What happens in a run, in words the trade uses. */
export type TripEventKind = 'overload' | 'shed' | 'trip' | 'retry' | 'lock-out' | 'holds';

export interface TripEvent {
  readonly timeS: number;
  readonly kind: TripEventKind;
  /** What was shed; '' otherwise. */
  readonly what: string;
  readonly demandVA: number;
}

/** A circuit that a device opens once an overload has lasted for its response time. */
export interface AutomaticShed {
  readonly name: string;
  readonly powerVA: number;
  readonly responseS: number;
  readonly order: number;
}

export interface Retry {
  /** Wait before the inverter tries again, s. */
  readonly afterS: number;
  /** Retries before it locks out. */
  readonly tries: number;
}

export interface TripRun {
  readonly events: readonly TripEvent[];
  /** Demand at each step, VA; 0 while disconnected. */
  readonly demandVA: Float64Array;
  readonly stepS: number;
  readonly tripped: boolean;
  readonly lockedOut: boolean;
}

const stepS = 0.01;

/**
 * Follows a demand in steps of 10 ms against an overload curve: an overload is held for its allowed seconds; automatic
 * shedding opens one circuit after the other when the overload has lasted for its response time; then the inverter
 * disconnects, waits, tries again, and locks out after its last try.
 *
 * An overload that lasts exactly as long as it is allowed holds; one step longer trips.
 *
 * @param demandVA demand at a time since (re)connection, before anything is shed
 * @param levels see {@link tripLevels}; the first is the continuous rating
 * @param sheds automatic ones; what is shed stays off
 * @param lengthS how long to follow it
 */
export function tripRun(
  demandVA: (timeS: number) => number,
  levels: readonly TripLevel[],
  sheds: readonly AutomaticShed[],
  retry: Retry,
  lengthS: number,
): TripRun {
  const steps = Math.round(lengthS / stepS);
  const trace = new Float64Array(steps);
  const events: TripEvent[] = [];
  const waiting = sheds.toSorted((a, b) => a.order - b.order || a.responseS - b.responseS);
  const above = new Int32Array(levels.length);
  let shedVA = 0;
  let connectedAt = 0;
  let reconnectAt = -1;
  let tries = 0;
  let lockedOut = false;
  let sinceShed = 0;
  for (let step = 0; step < steps; step += 1) {
    const timeS = step * stepS;
    if (lockedOut) continue;
    if (reconnectAt >= 0) {
      if (step < reconnectAt) continue;
      reconnectAt = -1;
      connectedAt = step;
      above.fill(0);
      sinceShed = 0;
      tries += 1;
      events.push({ timeS, kind: 'retry', what: '', demandVA: 0 });
    }
    let nowVA = Math.max(0, demandVA((step - connectedAt) * stepS) - shedVA);
    sinceShed = nowVA > levels[0]!.aboveVA ? sinceShed + 1 : 0;
    if (sinceShed === 1) events.push({ timeS, kind: 'overload', what: '', demandVA: nowVA });
    const next = waiting[0];
    if (next && sinceShed * stepS > next.responseS + 1e-9) {
      waiting.shift();
      shedVA += next.powerVA;
      nowVA = Math.max(0, nowVA - next.powerVA);
      events.push({ timeS, kind: 'shed', what: next.name, demandVA: nowVA });
      sinceShed = nowVA > levels[0]!.aboveVA ? 1 : 0;
    }
    trace[step] = nowVA;
    const trips = levels.some(({ aboveVA, heldS }, i) => {
      above[i] = nowVA > aboveVA ? above[i]! + 1 : 0;
      return above[i] > Math.round(heldS / stepS);
    });
    if (!trips) continue;
    trace[step] = 0;
    events.push({ timeS, kind: 'trip', what: '', demandVA: nowVA });
    if (tries >= retry.tries) {
      lockedOut = true;
      events.push({ timeS, kind: 'lock-out', what: '', demandVA: 0 });
    } else {
      reconnectAt = step + Math.max(1, Math.round(retry.afterS / stepS));
    }
  }
  const tripped = events.some(({ kind }) => kind === 'trip');
  if (!tripped) events.push({ timeS: lengthS, kind: 'holds', what: '', demandVA: trace.at(-1) ?? 0 });
  return { events, demandVA: trace, stepS, tripped, lockedOut };
}
