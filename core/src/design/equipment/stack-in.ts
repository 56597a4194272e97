import {
  assembleStack,
  type AssembledStack,
  type Catalogue,
  type Stack,
  type StackPart,
  withMeasured,
} from '../../equipment/index.js';
import type { SurveyedHouse } from '../../house/index.js';
import type { Equipment } from './equipment.schema.js';

type Equipped = Pick<SurveyedHouse, 'supply'> & { readonly equipment: Equipment };

const textOf = (parts: readonly StackPart[]): string =>
  parts
    .map(({ unitId, quantity }) => `${unitId} ${quantity}`)
    .toSorted()
    .join();

/** A stack as it was measured, where the island has just these units and somebody measured them. */
export function asMeasured(
  { equipment }: Pick<Equipped, 'equipment'>,
  islandId: string,
  stack: Stack,
): Stack {
  const chosen = equipment.stacks.find((one) => one.islandId === islandId);
  return chosen?.measured && textOf(chosen.parts) === textOf(stack.parts)
    ? withMeasured(stack, chosen.measured)
    : stack;
}

/**
 * Puts units together into the stack of an island, see {@link assembleStack}: with what was measured of it, where these are the units
 * that were measured there.
 */
export function stackIn(
  plan: Equipped,
  islandId: string,
  parts: readonly StackPart[],
  catalogue: Catalogue,
): AssembledStack {
  const assembled = assembleStack(parts, catalogue, plan.supply.system);
  return assembled.ok ? { ok: true, stack: asMeasured(plan, islandId, assembled.stack) } : assembled;
}
