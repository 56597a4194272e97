import { computed, inject, type Signal } from '@angular/core';
import { chosenFor, islandsOf, type Plan } from '@levamen/core/design';
import type { Catalogue } from '@levamen/core/equipment';
import type { Evaluation } from '@levamen/core/study';
import { EvaluationService } from './evaluation';
import type { ChosenStacks } from './stack-of';

const sameStacks = (one: ChosenStacks | null, other: ChosenStacks | null): boolean =>
  one === other ||
  (one !== null &&
    other !== null &&
    one.plan === other.plan &&
    one.catalogue.length === other.catalogue.length &&
    one.catalogue.every((unit, index) => unit === other.catalogue[index]) &&
    JSON.stringify(one.stacks) === JSON.stringify(other.stacks));

/** The units of a plan by island: those that are chosen, else those in use where the island is looked at. */
export function chosenIn(
  plan: Plan,
  { island: shown, selected }: Partial<Pick<Evaluation, 'island' | 'selected'>>,
  catalogue: Catalogue,
): ChosenStacks {
  const stacks = islandsOf(plan).flatMap((island) => {
    const parts = chosenFor(plan, island) ?? (island.id === shown?.id ? selected?.stack.parts : null);
    return parts ? [{ islandId: island.id, parts }] : [];
  });
  // Sent to workers at every edit: what no stack names stays here.
  const named = new Set(stacks.flatMap(({ parts }) => parts.map(({ unitId }) => unitId)));
  return { plan, stacks, catalogue: catalogue.filter(({ id }) => named.has(id)) };
}

/** The same of the design that is looked at; null while they are not known. Called where services may be injected. */
export function chosenStacks(plan: Signal<Plan | null>): Signal<ChosenStacks | null> {
  const evaluations = inject(EvaluationService);
  return computed(
    (): ChosenStacks | null => {
      const now = plan();
      const catalogue = evaluations.catalogue();
      return now && catalogue.length > 0 ? chosenIn(now, evaluations.evaluation() ?? {}, catalogue) : null;
    },
    { equal: sameStacks },
  );
}
