import type { Item } from '../../equipment/index.js';
import type { EquipmentUse } from './equipment-list.schema.js';

/** The plan designed with another revision of a list: what it keeps is as that revision has it, where it has it. */
export function moveToList<P extends { readonly equipmentList: EquipmentUse }>(
  plan: P,
  list: { readonly workspaceId: string; readonly revision: number; readonly items: readonly Item[] },
): P {
  const now = new Map(list.items.map((item) => [item.id, item]));
  return {
    ...plan,
    equipmentList: {
      workspaceId: list.workspaceId,
      revision: list.revision,
      kept: plan.equipmentList.kept.map((item) => now.get(item.id) ?? item),
    },
  };
}
