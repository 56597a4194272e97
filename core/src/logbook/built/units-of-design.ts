import type { Plan } from '../../design/index.js';
import type { Catalogue, Stack } from '../../equipment/index.js';
import { type LoggedUnit, newLoggedUnit } from '../../house/index.js';

/** Years a unit is usually warranted (common practice, no source). */
const usualWarrantyYears = 10;

/**
 * Units of a design that its logbook does not have yet, one by one: each has a serial number of its own.
 *
 * @param stacks units of its islands
 * @param builtInOn the day they were built in; null = not said
 * @param newId gives each an identifier of its own
 */
export function unitsOfDesign(
  { logbook }: Pick<Plan, 'logbook'>,
  stacks: readonly Pick<Stack, 'parts'>[],
  catalogue: Catalogue,
  builtInOn: string | null,
  newId: () => string,
): LoggedUnit[] {
  const wanted = new Map<string, number>();
  for (const { parts } of stacks)
    for (const { unitId, quantity } of parts) wanted.set(unitId, (wanted.get(unitId) ?? 0) + quantity);
  return [...wanted].flatMap(([unitId, count]) => {
    const there = logbook.units.filter(({ itemId }) => itemId === unitId).length;
    const name = catalogue.find(({ id }) => id === unitId)?.name ?? unitId;
    return Array.from({ length: Math.max(0, count - there) }, (_, index) =>
      newLoggedUnit({
        id: newId(),
        name: count > 1 ? `${name}, ${there + index + 1} of ${count}` : name,
        itemId: unitId,
        builtInOn,
        warrantyYears: usualWarrantyYears,
      }),
    );
  });
}
