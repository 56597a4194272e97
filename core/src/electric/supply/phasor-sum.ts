/** An apparent power and its power factor, lagging. */
export interface Phasor {
  readonly powerVA: number;
  readonly powerFactor: number;
}

/**
 * Apparent power of several loads with their phase angles: S = √((Σ P)² + (Σ Q)²), P = S · pf, Q = S · √(1 − pf²).
 *
 * @returns VA; never more than the plain sum
 * @example phasorSumVA([{ powerVA: 300, powerFactor: 1 }, { powerVA: 400, powerFactor: 0 }]) // 500
 */
export function phasorSumVA(loads: readonly Phasor[]): number {
  let activeW = 0;
  let reactiveVar = 0;
  for (const { powerVA, powerFactor } of loads) {
    activeW += powerVA * powerFactor;
    reactiveVar += powerVA * Math.sqrt(Math.max(0, 1 - powerFactor ** 2));
  }
  return Math.hypot(activeW, reactiveVar);
}
