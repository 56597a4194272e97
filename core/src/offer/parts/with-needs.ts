import { nameList } from '../../base/index.js';
import type { Item } from '../../equipment/index.js';
import type { PartLine } from './parts-list.js';

/** Units with everything that must stand beside them, however deep; items are in no circle. */
export function withNeeds(
  units: readonly { readonly itemId: string; readonly quantity: number }[],
  items: ReadonlyMap<string, Item>,
): PartLine[] {
  const lines = new Map<string, { quantity: number; forSystem: number; why: string[] }>();
  const add = (itemId: string, quantity: number, forSystem: number, why: string): void => {
    const line = lines.get(itemId) ?? { quantity: 0, forSystem: 0, why: [] };
    lines.set(itemId, line);
    line.quantity += quantity;
    line.forSystem = Math.max(line.forSystem, forSystem);
    if (why !== '' && !line.why.includes(why)) line.why.push(why);
  };
  // Level by level: how many of a part there are is known before what it needs is counted.
  let level = new Map(units.map(({ itemId, quantity }) => [itemId, quantity]));
  for (const { itemId, quantity } of units) add(itemId, quantity, 0, '');
  for (let depth = 0; level.size > 0 && depth < 20; depth += 1) {
    const next = new Map<string, number>();
    for (const [id, count] of level) {
      const item = items.get(id);
      for (const { itemId, quantity, forEach } of item?.needs ?? []) {
        const many = forEach === null ? 0 : Math.ceil(count / forEach) * quantity;
        const before = lines.get(itemId);
        const already = before ? before.quantity + before.forSystem : 0;
        add(itemId, many, forEach === null ? quantity : 0, `beside ${item!.name}`);
        const after = lines.get(itemId)!;
        const more = after.quantity + after.forSystem - already;
        if (more > 0) next.set(itemId, (next.get(itemId) ?? 0) + more);
      }
    }
    level = next;
  }
  return [...lines].map(([itemId, { quantity, forSystem, why }]) => ({
    itemId,
    name: items.get(itemId)?.name ?? itemId,
    quantity: quantity + forSystem,
    why: nameList(why),
  }));
}
