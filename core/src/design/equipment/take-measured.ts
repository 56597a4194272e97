import type { MeasuredStack } from '../../equipment/index.js';
import type { Equipment } from './equipment.schema.js';

/** The plan with what was measured of an island's stack; null = its data sheets count again. An island without a chosen stack stays as it is. */
export function takeMeasured<P extends { readonly equipment: Equipment }>(
  plan: P,
  islandId: string,
  measured: MeasuredStack | null,
): P {
  const stacks = plan.equipment.stacks.map((one) => (one.islandId === islandId ? { ...one, measured } : one));
  return { ...plan, equipment: { ...plan.equipment, stacks } };
}

/** What was measured of an island's stack; null = its data sheets count. */
export const measuredIn = (
  equipment: Equipment | undefined,
  islandId: string | undefined,
): MeasuredStack | null => equipment?.stacks.find((one) => one.islandId === islandId)?.measured ?? null;
