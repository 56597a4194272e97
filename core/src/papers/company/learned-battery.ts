import type { MeasuredStack, StackPart } from '../../equipment/index.js';
import type { LearnedHouse } from './company-sheet.schema.js';

/** What units were measured to be in other houses of a company. */
export interface LearnedBattery {
  readonly measured: MeasuredStack;
  readonly houses: number;
}

const textOf = (parts: readonly StackPart[], withCount: boolean): string =>
  parts
    .map(({ unitId, quantity }) => (withCount ? `${unitId} ${quantity}` : unitId))
    .toSorted()
    .join();

/**
 * What units of the same kinds were measured to be in other houses: the mean of their factors. What the system itself takes is told by
 * houses with as many of them only.
 *
 * @param exceptJobId a house that is not counted: it has its own
 * @returns null where no other house has units of these kinds that were measured
 */
export function learnedBattery(
  houses: readonly LearnedHouse[],
  exceptJobId: string,
  parts: readonly StackPart[],
): LearnedBattery | null {
  const alike = houses.flatMap(({ jobId, battery }) =>
    battery && jobId !== exceptJobId && textOf(battery.parts, false) === textOf(parts, false)
      ? [battery]
      : [],
  );
  const last = alike.at(-1);
  if (!last) return null;
  const mean = (values: readonly number[]): number =>
    values.reduce((sum, value) => sum + value, 0) / values.length;
  const all = alike.map(({ measured }) => measured);
  const standby = alike.flatMap(({ parts: own, measured: { standbyW } }) =>
    standbyW !== null && textOf(own, true) === textOf(parts, true) ? [standbyW] : [],
  );
  return {
    houses: alike.length,
    measured: {
      ...last.measured,
      usableTimes: mean(all.map(({ usableTimes }) => usableTimes)),
      standbyW: standby.length === 0 ? null : mean(standby),
      dischargeTimes: mean(all.map(({ dischargeTimes }) => dischargeTimes)),
      chargeTimes: mean(all.map(({ chargeTimes }) => chargeTimes)),
    },
  };
}
