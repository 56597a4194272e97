import type { Start } from './load.schema.js';

/**
 * The start of a motor made for another voltage: its locked-rotor amperes belong to the voltage it is made for, its power stays.
 *
 * @param fromV voltage the amperes were stated at
 * @param toV voltage the motor will sit at
 * @example startAtVoltage({ how: 'lockedRotor', lockedRotorA: 23, durationS: 0.5 }, 120, 230).lockedRotorA // 12
 */
export function startAtVoltage(start: Start, fromV: number, toV: number): Start {
  if (start.how !== 'lockedRotor' || fromV === toV) return start;
  return { ...start, lockedRotorA: Math.round((start.lockedRotorA * fromV * 10) / toV) / 10 };
}
