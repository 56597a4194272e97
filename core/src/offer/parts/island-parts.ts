import type { Item, Stack } from '../../equipment/index.js';
import {
  type Island,
  islandPlan,
  laneOfCircuits,
  type Plan,
  serviceBackup,
  softStarted,
} from '../../design/index.js';
import { loadVoltageV, runningPowerVA } from '../../house/index.js';
import type { Task } from '../prices/price-book.schema.js';
import { type Chooser, partOf, type PartLine, type WorkLine } from './parts-list.js';
import { withNeeds } from './with-needs.js';

const formOf = {
  contactor: 'contactor',
  'transfer-switch': 'transfer-switch',
  'at-meter': 'at-meter',
} as const;

/**
 * What one island needs bought and done: its stack with all that stands beside it, the isolating device, the loads panel, load control, circuits that
 * move, soft starters.
 *
 * @param there how many of a unit the house has already, and no island has taken yet; what this one takes is taken from it
 */
export function islandParts(
  plan: Plan,
  island: Island,
  stack: Stack,
  items: ReadonlyMap<string, Item>,
  cheapest: Chooser,
  there: Map<string, number>,
): { readonly parts: readonly PartLine[]; readonly work: readonly WorkLine[]; readonly wireM: number } {
  // What the house has already is not bought; what must stand beside it is there with it.
  const bought = stack.parts.flatMap(({ unitId, quantity }) => {
    const had = Math.min(quantity, there.get(unitId) ?? 0);
    there.set(unitId, (there.get(unitId) ?? 0) - had);
    return quantity > had ? [{ itemId: unitId, quantity: quantity - had }] : [];
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
  addWork('wire-metre', wireM, 'from the old panel to the new one');
  return { parts, work, wireM };
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
