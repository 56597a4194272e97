import type { Item, Stack } from '../../equipment/index.js';
import {
  equipmentRoute,
  type Island,
  islandPlan,
  laneOfCircuits,
  type Plan,
  serviceBackup,
  softStarted,
} from '../../design/index.js';
import { loadVoltageV, runningPowerVA } from '../../house/index.js';
import { nameList } from '../../base/index.js';
import type { Task } from '../prices/price-book.schema.js';

/** Something that must be bought. */
export interface PartLine {
  /** null = nothing in the list is meant yet. */
  readonly itemId: string | null;
  readonly name: string;
  readonly quantity: number;
  /** Why it is there. */
  readonly why: string;
}

/** Work, so many times. */
export interface WorkLine {
  readonly task: Task;
  readonly count: number;
  readonly why: string;
}

export interface PartsList {
  readonly parts: readonly PartLine[];
  readonly work: readonly WorkLine[];
  /** Wire and conduit, m: an estimate until the wiring is designed. */
  readonly wireM: number;
  readonly nameplateKWh: number;
  /** New arrays, kW of modules. */
  readonly solarKW: number;
}

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

type Chooser = (fits: (item: Item) => boolean) => Item | null;

const placeholder = (name: string, quantity: number, why: string): PartLine => ({
  itemId: null,
  name,
  quantity,
  why,
});
const partOf = (item: Item | null, instead: string, quantity: number, why: string): PartLine =>
  item ? { itemId: item.id, name: item.name, quantity, why } : placeholder(instead, quantity, why);

const formOf = {
  contactor: 'contactor',
  'transfer-switch': 'transfer-switch',
  'at-meter': 'at-meter',
} as const;

/**
 * What a design needs bought and done for one island: the stack with all that stands beside it, the isolating device, the loads panel,
 * load control, circuits that move. Wire is estimated by length.
 *
 * @param items of the list, by identifier
 * @param cheapest chooses among the items that fit; null = none is in the list
 */
export function partsOf(
  plan: Plan,
  island: Island,
  stack: Stack,
  items: ReadonlyMap<string, Item>,
  cheapest: Chooser,
): PartsList {
  // What the house has already is not bought; what must stand beside it is there with it.
  const bought = stack.parts.flatMap(({ unitId, quantity }) => {
    const there = plan.existingUnits.find((unit) => unit.unitId === unitId)?.quantity ?? 0;
    return quantity > there ? [{ itemId: unitId, quantity: quantity - there }] : [];
  });
  const parts = withNeeds(bought, items);
  const work: WorkLine[] = [];
  const addWork = (task: Task, count: number, why: string): unknown =>
    count > 0 && work.push({ task, count, why });
  addWork(
    'unit-hung',
    bought.reduce((sum, { quantity }) => sum + quantity, 0),
    stack.name,
  );
  const hasIsolating = parts.some(({ itemId }) => items.get(itemId ?? '')?.kind === 'isolating-device');
  const laneOf = laneOfCircuits(plan);
  const circuits = island.panels.flatMap(({ circuits: all }) => all).filter(({ use }) => use === 'circuit');
  let wireM = 0;
  const backups = island.services.map(({ id }) => serviceBackup(plan, id));
  for (const backup of backups) {
    const { isolatingDevice, isolatingRatingA, school, newPanelSpaces, newPanelDistanceM } = backup;
    if (isolatingDevice !== null && isolatingDevice !== 'pass-through' && !hasIsolating) {
      const leastA = isolatingRatingA ?? 0;
      const found = cheapest(
        (item) =>
          item.kind === 'isolating-device' &&
          item.ratings.form === formOf[isolatingDevice] &&
          item.ratings.ratedA >= leastA,
      );
      const name = `Isolating device, ${isolatingDevice.replace('-', ' ')}${leastA > 0 ? `, ${leastA} A` : ''}`;
      parts.push(partOf(found, name, 1, 'cuts the island off'));
      addWork('device-mounted', 1, found?.name ?? name);
    } else if (hasIsolating) addWork('device-mounted', 1, 'the one that stands beside the units');
    if (school === 'loads-panel') {
      const found = cheapest((item) => item.kind === 'panel' && item.ratings.spaces >= (newPanelSpaces ?? 0));
      const name = `Loads panel${newPanelSpaces === null ? '' : `, ${newPanelSpaces} spaces`}`;
      parts.push(partOf(found, name, 1, 'takes the circuits that stay on'));
      addWork('panel-set', 1, found?.name ?? name);
      wireM += newPanelDistanceM ?? 0;
    }
  }
  if (backups.some(({ school }) => school === 'loads-panel'))
    addWork(
      'circuit-moved',
      circuits.filter(({ id }) => laneOf(id).lane !== 'dark').length,
      'to the loads panel',
    );
  parts.push(...controlParts(circuits, laneOf, cheapest));
  const started = softStarted(plan);
  const motors = islandPlan(plan, island).loads.filter(({ id }) => started.has(id));
  for (const motor of motors) {
    const runningA = runningPowerVA(motor) / loadVoltageV(plan.supply.system, motor);
    const found = cheapest((item) => item.kind === 'soft-starter' && item.ratings.softRunningA >= runningA);
    const name = `Soft starter, ${Math.ceil(runningA)} A`;
    parts.push(partOf(found, name, motor.quantity, `for ${motor.name}`));
  }
  addWork(
    'soft-starter-set',
    motors.reduce((sum, { quantity }) => sum + quantity, 0),
    'for motors that start heavily',
  );
  addWork(
    'circuit-controlled',
    circuits.filter(({ id }) => laneOf(id).lane === 'auto').length,
    'shed by a device',
  );
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
  addWork('wire-metre', wireM, 'from the old panel to the new one');
  for (const { to, lengthM, effortM } of routes) {
    wireM += lengthM;
    addWork('wire-metre', effortM, `from the units to the ${to}, legs by their labour`);
  }
  addWork('commissioning', 1, 'energising and a staged outage');
  return {
    parts,
    work,
    wireM,
    nameplateKWh: stack.nameplateWh / 1000,
    solarKW: newSun.reduce((sum, { ratedW }) => sum + ratedW, 0) / 1000,
  };
}

/** Smart breakers one by one, and load controllers for the other circuits that a device sheds. */
function controlParts(
  circuits: readonly { readonly id: string; readonly ratingA: number | null }[],
  laneOf: ReturnType<typeof laneOfCircuits>,
  cheapest: Chooser,
): PartLine[] {
  const shed = circuits.filter(({ id }) => laneOf(id).lane === 'auto');
  const smart = shed.filter(({ id }) => laneOf(id).shed?.device === 'smart-breaker');
  const others = shed.length - smart.length;
  const parts: PartLine[] = [];
  if (smart.length > 0) {
    const found = cheapest(({ kind }) => kind === 'smart-breaker');
    parts.push(partOf(found, 'Smart breaker', smart.length, 'sheds a circuit'));
  }
  if (others > 0) {
    const found = cheapest(({ kind }) => kind === 'load-controller');
    const each = found?.kind === 'load-controller' ? found.ratings.circuits : others;
    const name = `Load control for ${others} circuits`;
    parts.push(partOf(found, name, Math.ceil(others / each), `sheds ${others} circuits`));
  }
  return parts;
}
