import { ampsText } from '../amps-text.js';
import { continuousFactor } from '../conductors/size-conductor.js';

/** Volts of a cell at which its battery is cut off (common practice, no source). */
export const lowestCellV = { lithium: 2.8, 'lead-acid': 1.75 } as const;
/** Nominal volts of a cell. */
export const nominalCellV = { lithium: 3.2, 'lead-acid': 2 } as const;

/** Lowest voltage of a battery while it delivers, V: all its cells at their lowest. */
export const lowestVoltageV = (nominalV: number, chemistry: keyof typeof lowestCellV): number =>
  Math.round(nominalV / nominalCellV[chemistry]) * lowestCellV[chemistry];

/**
 * Direct current of an inverter at full power, A: P ÷ (efficiency × lowest voltage of the battery).
 *
 * @param strings parallel strings that share it equally
 * @example batteryCurrentA({ powerW: 9300, efficiency: 0.93, voltageV: 50 }) // 200
 */
export const batteryCurrentA = (
  of: { readonly powerW: number; readonly efficiency: number; readonly voltageV: number },
  strings = 1,
): number => of.powerW / (of.efficiency * of.voltageV * strings);

/** Fuse ratings of battery circuits, A (classes T and NH, common practice, no source). */
export const fuseRatingsA = [
  30, 40, 50, 60, 80, 100, 125, 150, 175, 200, 225, 250, 300, 350, 400, 500, 600,
] as const;

export interface StringCircuit {
  readonly currentA: number;
  readonly fuseA: number | null;
  /** What its cable carries, A. */
  readonly cableA: number;
}

/** The fuse of a string: 125 % of its continuous current, the next rating up; null beyond the list. */
export const stringFuseA = (currentA: number): number | null =>
  fuseRatingsA.find((ratingA) => ratingA >= continuousFactor * currentA - 1e-9) ?? null;

/** What is wrong with a string: its fuse opens in use, or protects no cable, or the cable carries too little. '' = nothing. */
export function stringProblems({ currentA, fuseA, cableA }: StringCircuit): readonly string[] {
  const mustA = continuousFactor * currentA;
  return [
    ...(fuseA === null ? ['No fuse protects the string.'] : []),
    ...(fuseA !== null && fuseA < mustA - 1e-9
      ? [`A fuse of ${ampsText(fuseA)} is below 125 % of ${ampsText(currentA)}: ${ampsText(mustA)}.`]
      : []),
    ...(fuseA !== null && fuseA > cableA + 1e-9
      ? [`A fuse of ${ampsText(fuseA)} does not protect a cable that carries ${ampsText(cableA)}.`]
      : []),
    ...(cableA < mustA - 1e-9
      ? [`The cable carries ${ampsText(cableA)}; 125 % of ${ampsText(currentA)} is ${ampsText(mustA)}.`]
      : []),
  ];
}

/**
 * What each of several parallel strings carries, A, when only their cables differ: they share it by conductance.
 *
 * @param ohms resistance of each whole string, cables, fuse and battery, Ω
 */
export function parallelCurrentsA(totalA: number, ohms: readonly number[]): readonly number[] {
  const conductance = ohms.reduce((sum, ohm) => sum + 1 / ohm, 0);
  return ohms.map((ohm) => totalA / ohm / conductance);
}

/**
 * Charge controllers for an array: its watts over amperes at the charging voltage, rounded up.
 *
 * @returns how many, and the share of the array that one fewer would clip at full sun
 */
export function chargeControllers(
  arrayW: number,
  eachA: number,
  chargingV: number,
): { readonly exact: number; readonly count: number; readonly clippedByOneFewer: number } {
  const exact = arrayW / (eachA * chargingV);
  const count = Math.ceil(exact - 1e-9);
  return { exact, count, clippedByOneFewer: Math.max(0, 1 - (count - 1) / exact) };
}
