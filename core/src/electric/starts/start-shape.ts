/** Until this share of a start the current stays at its highest; at the end of the start it is down to `endLevel`. */
export const plateauShare = 0.7;
const endLevel = 0.3;
/** Mean level between the plateau and the end. */
export const fallLevel = (1 + endLevel) / 2;

/**
 * How far a start stands between running (0) and its highest current (1).
 *
 * An induction motor draws nearly its locked-rotor current until it approaches its pull-out speed, and the current then
 * falls quickly. Modelled as a plateau over 70 % of the start, a straight fall to 30 % of the excess at its end, and the
 * running current from then on. The shape is textbook knowledge, its numbers are common practice, no source.
 *
 * @param timeS time since the start, s
 * @param durationS how long the start lasts, s
 * @returns 0 to 1
 */
export function startShape(timeS: number, durationS: number): number {
  if (timeS < 0 || timeS >= durationS) return 0;
  const x = timeS / durationS;
  return x <= plateauShare ? 1 : 1 - ((x - plateauShare) / (1 - plateauShare)) * (1 - endLevel);
}

/** Times at which the shape bends, s; between them it is straight. */
export const startBends = (durationS: number): readonly number[] => [0, plateauShare * durationS, durationS];

/** The value just before a time: at the very end of a start its last level, not the running one. */
export function startShapeBefore(timeS: number, durationS: number): number {
  return timeS === durationS ? endLevel : startShape(timeS, durationS);
}

/** Power factor of a motor with its rotor locked (common practice, no source). */
export const lockedRotorPowerFactor = 0.4;

/** Power factor of a motor on its way from locked rotor to running, straight along the shape of the start. */
export function startPowerFactor(timeS: number, durationS: number, runningPowerFactor: number): number {
  const shape = startShape(timeS, durationS);
  return (
    runningPowerFactor + (Math.min(lockedRotorPowerFactor, runningPowerFactor) - runningPowerFactor) * shape
  );
}
