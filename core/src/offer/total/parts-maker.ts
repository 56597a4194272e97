import type { Big } from 'big.js';
import { assembleStack, type Catalogue, catalogueOf, type Item, type Stack } from '../../equipment/index.js';
import { chosenFor, type Island, islandsOf, type Plan } from '../../design/index.js';
import type { PartsList } from '../parts/parts-list.js';
import { type FedIsland, partsOf } from '../parts/parts-of.js';
import type { Prices } from './lowest-prices.js';

/** What a design needs bought and done with a stack in one island and what is chosen for the others, and what nobody has chosen yet. */
export type PartsMaker = (
  plan: Plan,
  island: Island,
  stack: Stack,
) => { readonly list: PartsList; readonly open: readonly string[] };

/** Makes parts lists: of what fits, the cheapest is taken; what items and prices say together is worked out once. */
export function partsMaker(items: readonly Item[], prices: Prices): PartsMaker {
  const byId = new Map(items.map((item) => [item.id, item]));
  const catalogue = catalogueOf(items);
  /** The cheapest that fits; where none has a price, the first. */
  const cheapest = (fits: (item: Item) => boolean): Item | null => {
    let best: { item: Item; cost: Big | null } | null = null;
    for (const item of items) {
      if (item.retired || !fits(item)) continue;
      const cost = prices.get(item.id)?.cost ?? null;
      if (best === null || (cost !== null && (best.cost === null || cost.lt(best.cost))))
        best = { item, cost };
    }
    return best?.item ?? null;
  };
  /** Thousands of stacks are asked about for the same island of the same plan. */
  let last: { readonly plan: Plan; readonly islandId: string; readonly others: OtherIslands } | null = null;
  const othersOf = (plan: Plan, { id: islandId }: Island): OtherIslands => {
    if (last?.plan === plan && last.islandId === islandId) return last.others;
    const others = otherIslands(plan, islandId, catalogue);
    last = { plan, islandId, others };
    return others;
  };
  return (plan, island, stack) => {
    const { fed, open } = othersOf(plan, island);
    return { list: partsOf(plan, [{ island, stack }, ...fed], byId, cheapest), open };
  };
}

/** What feeds the islands that are not asked about, and names of those for which nobody has chosen anything yet. */
interface OtherIslands {
  readonly fed: readonly FedIsland[];
  readonly open: readonly string[];
}

function otherIslands(plan: Plan, islandId: string, catalogue: Catalogue): OtherIslands {
  const fed: FedIsland[] = [];
  const open: string[] = [];
  for (const island of islandsOf(plan)) {
    if (island.id === islandId) continue;
    const parts = chosenFor(plan, island);
    const assembled = parts && assembleStack(parts, catalogue, plan.supply.system);
    if (assembled?.ok) fed.push({ island, stack: assembled.stack });
    else open.push(`Units for ${island.services.map(({ name }) => name).join(', ')}`);
  }
  return { fed, open };
}
