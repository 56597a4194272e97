import type { Plan } from '@levamen/core/design';
import { assembleStack, type Catalogue, type StackPart } from '@levamen/core/equipment';
import type { StackOf } from '@levamen/core/wiring';

/** The units that feed each island, and the part of the catalogue they are from. */
export interface ChosenStacks {
  readonly plan: Plan;
  readonly stacks: readonly { readonly islandId: string; readonly parts: readonly StackPart[] }[];
  /** At least every unit the stacks name. */
  readonly catalogue: Catalogue;
}

/** The stack that feeds each island, put together from its chosen units; null where none is chosen, or they do not go together. */
export const stackOf =
  ({ plan, stacks, catalogue }: ChosenStacks): StackOf =>
  ({ id }) => {
    const parts = stacks.find(({ islandId }) => islandId === id)?.parts;
    const assembled = parts && assembleStack(parts, catalogue, plan.supply.system);
    return assembled?.ok ? assembled.stack : null;
  };
