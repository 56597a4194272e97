/** Below this the lights visibly dip and contactors may chatter (common practice, no source). */
export const noticeableDipShare = 0.15;

/**
 * Voltage a source loses under a load, by its stated droop: linear in the load.
 *
 * @param droopShare share of the voltage lost at the continuous rating; null = not stated
 * @param loadVA apparent power drawn
 * @param continuousVA continuous rating
 * @returns share of the voltage lost, null where nothing is stated
 */
export function voltageDipShare(
  droopShare: number | null,
  loadVA: number,
  continuousVA: number,
): number | null {
  return droopShare === null ? null : (droopShare * loadVA) / continuousVA;
}
