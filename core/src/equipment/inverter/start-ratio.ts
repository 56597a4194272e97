import type { OverloadPoint } from '../catalogue/unit.schema.js';

/** A moment of a start that decides: what is asked then, and what an inverter may carry from then on. */
export interface DecisiveMoment {
  /** Demand ÷ allowed; above 1 the inverter disconnects. */
  readonly ratio: number;
  /** Since the start, s. */
  readonly timeS: number;
  readonly demandVA: number;
  readonly allowedVA: number;
}

/**
 * The moments at which a start that falls with time is decided, and what may be drawn from then on.
 *
 * The curve "P for t seconds" is passed where the demand stays above the next lower power for more than t: so when t is over,
 * the demand must have fallen to that power. At once it must not be above the highest point. After the end of the start the
 * continuous limit takes over, which has a check of its own.
 *
 * @param durationS how long the start lasts, s
 * @param continuousVA continuous rating, VA
 * @param overload stated points, longest first
 */
export function decisiveMoments(
  durationS: number,
  continuousVA: number,
  overload: readonly OverloadPoint[],
): Pick<DecisiveMoment, 'timeS' | 'allowedVA'>[] {
  const powersVA = [continuousVA, ...overload.map(({ apparentPowerVA }) => apparentPowerVA)];
  return [
    { timeS: 0, allowedVA: powersVA.at(-1)! },
    ...overload.flatMap(({ durationS: heldS }, index) =>
      heldS < durationS ? [{ timeS: heldS, allowedVA: powersVA[index]! }] : [],
    ),
  ];
}

/**
 * A start against an overload curve, see {@link decisiveMoments}.
 *
 * @param levelVA demand at a time since the start, VA; never rises
 * @returns the moment with the highest ratio
 */
export function startRatio(
  levelVA: (timeS: number) => number,
  durationS: number,
  continuousVA: number,
  overload: readonly OverloadPoint[],
): DecisiveMoment {
  return decisiveMoments(durationS, continuousVA, overload)
    .map(({ timeS, allowedVA }): DecisiveMoment => {
      const demandVA = levelVA(timeS);
      return { timeS, allowedVA, demandVA, ratio: demandVA / allowedVA };
    })
    .reduce((worst, next) => (next.ratio > worst.ratio ? next : worst));
}
