import { startShape } from './start-shape.js';

/** One piece of a motor that restarts when power returns. */
export interface Restart {
  readonly loadId: string;
  readonly name: string;
  readonly startVA: number;
  readonly runsVA: number;
  readonly durationS: number;
  /** Since power returned, s. */
  readonly atS: number;
}

/** Demand of restarting motors on top of what comes back at once, VA, at a time since power returned. */
export function pickupVA(restarts: readonly Restart[], besideVA: number, timeS: number): number {
  let sum = besideVA;
  for (const { startVA, runsVA, durationS, atS } of restarts) {
    if (timeS < atS) continue;
    sum += runsVA + (startVA - runsVA) * startShape(timeS - atS, durationS);
  }
  return sum;
}

/** Highest demand of a pickup, VA. It stands where a motor starts, since each of them only falls afterwards. */
export function pickupPeakVA(restarts: readonly Restart[], besideVA: number): number {
  return restarts.reduce((peak, { atS }) => Math.max(peak, pickupVA(restarts, besideVA, atS)), besideVA);
}

/**
 * The same motors one after the other, each when the one before it has started, in the order with the lowest peak: the
 * largest excess of start over running first, while the least else runs. (If two neighbours i, j stand in the order i, j,
 * the higher of S_i and r_i + S_j counts; exchanging them is no better as long as S_i − r_i ≥ S_j − r_j.)
 *
 * @param gapS pause between the end of a start and the next one, s
 */
export function staggered(restarts: readonly Restart[], gapS: number): Restart[] {
  let atS = 0;
  return restarts
    .toSorted((a, b) => b.startVA - b.runsVA - (a.startVA - a.runsVA))
    .map((restart) => {
      const placed = { ...restart, atS };
      atS += restart.durationS + gapS;
      return placed;
    });
}
