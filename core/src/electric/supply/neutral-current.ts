import type { Leg } from './legs.js';
import type { SupplySystem } from './supply.schema.js';

/** What the loads between one leg and neutral may draw at most, whatever the other legs do. */
export interface LegReturn {
  readonly leg: Leg;
  readonly powerVA: number;
}

/** Lag of the current behind the voltage of its leg, least and most among the loads, radians; 0 to π/2. */
export interface LagRange {
  readonly least: number;
  readonly most: number;
}

/** Angle of the voltage of each leg: opposite in split phase, a third of a turn apart in a star. */
const legAngle = (system: SupplySystem, leg: Leg): number => {
  const index = Number(leg.slice(1)) - 1;
  return -index * (system === 'split-120-240' ? Math.PI : (2 * Math.PI) / 3);
};

const stepRad = Math.PI / 30;

const modulo = (value: number, by: number): number => ((value % by) + by) % by;

/** Lag of a load with a power factor, radians. */
export const lagOf = (powerFactor: number): number => Math.acos(Math.min(1, powerFactor));

/**
 * The largest current the neutral may have to carry, as apparent power on one leg: each leg draws nothing or all it may, with
 * any lag its loads have. Loads of unequal power factor on different legs add up where equal ones would cancel.
 *
 * The phasors of a leg lie in a circular sector; the length of a sum of such is greatest on their rims. Lags are tried every
 * six degrees and at both ends, that of the last leg exactly; what lies between is covered by 1 ÷ cos 3°, 0.14 %.
 *
 * @param returns what each leg may draw between leg and neutral, VA
 * @returns VA; divided by the leg voltage it is the current
 * @example worstNeutralVA('split-120-240', [{ leg: 'L1', powerVA: 900 }, { leg: 'L2', powerVA: 500 }], { least: 0, most: 0 }) // 900
 */
export function worstNeutralVA(
  system: SupplySystem,
  returns: readonly LegReturn[],
  { least, most }: LagRange,
): number {
  const drawing = returns.filter(({ powerVA }) => powerVA > 0);
  const alone = Math.max(0, ...drawing.map(({ powerVA }) => powerVA));
  const spread = most - least;
  if (drawing.length < 2 || spread < 1e-9) return alone;
  const steps = Math.ceil(spread / stepRad);
  const lags = Array.from({ length: steps + 1 }, (_, i) => least + (spread * i) / steps);
  const last = drawing.at(-1)!;
  const lastAngle = legAngle(system, last.leg);
  const [leastCos, leastSin] = [Math.cos(lastAngle - least), Math.sin(lastAngle - least)];
  const [mostCos, mostSin] = [Math.cos(lastAngle - most), Math.sin(lastAngle - most)];
  /** Square of the longest sum with the last leg: along what there is, or at the end of its range nearest to that. */
  const withLast = (re: number, im: number): number => {
    const along = modulo(lastAngle - Math.atan2(im, re), 2 * Math.PI);
    const square = re * re + im * im;
    if (along >= least && along <= most) return (Math.sqrt(square) + last.powerVA) ** 2;
    const projection = Math.max(re * leastCos + im * leastSin, re * mostCos + im * mostSin);
    return Math.max(square, square + 2 * last.powerVA * projection + last.powerVA ** 2);
  };
  let longest = 0;
  const visit = (index: number, re: number, im: number): void => {
    if (index === drawing.length - 1) {
      longest = Math.max(longest, withLast(re, im));
      return;
    }
    const { leg, powerVA } = drawing[index]!;
    const angle = legAngle(system, leg);
    visit(index + 1, re, im);
    for (const lag of lags) {
      visit(index + 1, re + powerVA * Math.cos(angle - lag), im + powerVA * Math.sin(angle - lag));
    }
  };
  visit(0, 0, 0);
  return Math.max(alone, Math.sqrt(longest) / Math.cos(stepRad / 2));
}
