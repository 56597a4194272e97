import type { Item, Stack } from '../../equipment/index.js';
import { equipmentRoute, type Island, type Plan } from '../../design/index.js';
import { nameList } from '../../base/index.js';
import type { Task } from '../prices/price-book.schema.js';
import { islandParts } from './island-parts.js';
import { type Chooser, partOf, type PartLine, type PartsList, type WorkLine } from './parts-list.js';

/** An island with what feeds it. */
export interface FedIsland {
  readonly island: Island;
  readonly stack: Stack;
}

/** Lines of the same item, or the same placeholder, in one. */
function addedUp(parts: readonly PartLine[]): PartLine[] {
  const lines = new Map<string, PartLine>();
  for (const part of parts) {
    const key = part.itemId ?? ` ${part.name}`;
    const before = lines.get(key);
    lines.set(
      key,
      before
        ? {
            ...before,
            quantity: before.quantity + part.quantity,
            why: nameList([...new Set([before.why, part.why].filter((why) => why !== ''))]),
          }
        : part,
    );
  }
  return [...lines.values()];
}

/**
 * What a design needs bought and done: everything of its islands, a generator and arrays that are new, and the way of the conduits. Wire is estimated by
 * length.
 *
 * @param items of the list, by identifier
 * @param cheapest chooses among the items that fit; null = none is in the list
 */
export function partsOf(
  plan: Plan,
  fed: readonly FedIsland[],
  items: ReadonlyMap<string, Item>,
  cheapest: Chooser,
): PartsList {
  const there = new Map(plan.existingUnits.map(({ unitId, quantity }) => [unitId, quantity]));
  const ofIslands = fed.map(({ island, stack }) => islandParts(plan, island, stack, items, cheapest, there));
  const parts = ofIslands.flatMap((one) => one.parts);
  const work: WorkLine[] = ofIslands.flatMap((one) => one.work);
  const addWork = (task: Task, count: number, why: string): unknown =>
    count > 0 && work.push({ task, count, why });
  let wireM = ofIslands.reduce((sum, one) => sum + one.wireM, 0);
  const { generator, arrays } = plan.sources;
  if (generator && !generator.existing) {
    const starts = generator.start === 'auto';
    const found = cheapest(
      (item) =>
        item.kind === 'generator' &&
        item.ratings.generatorW >= generator.powerW &&
        (item.ratings.selfStarts === true || !starts),
    );
    const name = `Generator, ${generator.powerW / 1000} kW${starts ? ', starts itself' : ''}`;
    parts.push(partOf(found, name, 1, starts ? 'starts by itself' : 'connected by hand at an inlet'));
    addWork('generator-set', 1, found?.name ?? name);
  }
  const newSun = arrays.filter(({ existing }) => !existing);
  // Once the units are put up, conduits run as their wall says; a metre in a trench is the work of several.
  const newGenerator = plan.sources.generator !== null && !plan.sources.generator.existing;
  const routes = (['panel', 'array', 'generator'] as const).flatMap((to) => {
    const isNew = to === 'panel' || (to === 'array' ? newSun.length > 0 : newGenerator);
    const route = isNew ? equipmentRoute(plan, to) : null;
    return route ? [{ ...route, to }] : [];
  });
  for (const { to, lengthM, effortM } of routes) {
    wireM += lengthM;
    addWork('wire-metre', effortM, `from the units to the ${to}, legs by their labour`);
  }
  addWork('commissioning', 1, 'energising and a staged outage');
  return {
    parts: addedUp(parts),
    work,
    wireM,
    nameplateKWh: fed.reduce((sum, { stack }) => sum + stack.nameplateWh, 0) / 1000,
    solarKW: newSun.reduce((sum, { ratedW }) => sum + ratedW, 0) / 1000,
  };
}
