import type { PublishedTable } from '../../base/index.js';

/** A breaker of a curve opens at once with so many times its rating. */
export const magneticTimes: PublishedTable<Readonly<Record<'B' | 'C' | 'D', number>>> = {
  title: 'Instantaneous tripping, upper limit of the band',
  clause: 'Table 7',
  edition: 'IEC 60898-1:2015',
  source: 'recalled',
  values: { B: 5, C: 10, D: 20 },
};

/** The lowest voltage in service, of nominal (BS 7671:2018, 411.4.4); what is measured cold may be so much of it. */
const lowestVoltage = 0.95;
const measuredCold = 0.8;

/**
 * Loop impedance up to which a breaker opens at once, Ω: Zs = 0.95 · U0 / (times · In).
 *
 * @returns largest, and what may be measured with the conductors cold
 */
export function largestLoopOhm(
  curve: 'B' | 'C' | 'D',
  ratingA: number,
  voltageV = 230,
): { readonly ohm: number; readonly measuredOhm: number } {
  const ohm = (lowestVoltage * voltageV) / (magneticTimes.values[curve] * ratingA);
  return { ohm, measuredOhm: measuredCold * ohm };
}

/** Touch voltage that may stay, V; the loop of an RCD keeps it: Zs ≤ 50 / IΔn. */
export const largestRcdLoopOhm = (tripA: number): number => 50 / tripA;

/**
 * Does an inverter open a breaker at once while it feeds the house alone?
 *
 * @param givesA most current it gives into a short, A; makers state 1 to 2 times the rating for a moment
 */
export const opensAtOnce = (curve: 'B' | 'C' | 'D', ratingA: number, givesA: number): boolean =>
  givesA >= magneticTimes.values[curve] * ratingA;
