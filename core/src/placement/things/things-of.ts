import { islandsOf, type Plan, serviceBackup } from '../../design/index.js';
import type { StackOf } from '../../wiring/index.js';
import type { Thing } from './thing.js';
import { unitThing } from './unit-thing.js';

/** Usual sizes where no data sheet says one: width, height, depth, m, and mass, kg (common practice, no source). */
const usual = {
  'isolating-device': [0.37, 0.76, 0.17, 18],
  panel: [0.37, 0.76, 0.11, 15],
  disconnect: [0.22, 0.36, 0.14, 5],
  gutter: [1.22, 0.15, 0.15, 9],
} as const;

const noRoom = { aboveM: 0, belowM: 0, besideM: 0, frontM: 0 };

function boxThing(
  kind: 'isolating-device' | 'panel' | 'disconnect' | 'gutter',
  id: string,
  name: string,
  islandId: string,
): Thing {
  const [widthM, heightM, depthM, massKg] = usual[kind];
  return {
    id,
    name,
    kind,
    islandId,
    widthM,
    heightM,
    depthM,
    isSizeAssumed: true,
    massKg,
    energyWh: 0,
    clear: noRoom,
    betweenM: null,
    mounting: 'wall',
    outdoors: null,
    isOptional: kind === 'gutter',
    unit: null,
  };
}

/**
 * What of a design finds its place on a wall: every unit of its stacks, one by one; the isolating device of each service that is backed up as a whole, the new panel of one whose
 * chosen circuits move, a disconnect and a gutter for each source. Sizes no data sheet gives are usual ones.
 */
export function thingsOf(plan: Plan, stackOf: StackOf): Thing[] {
  return islandsOf(plan).flatMap((island) => {
    const stack = stackOf(island);
    if (!stack) return [];
    const units = [
      { unit: stack.inverter, quantity: stack.inverterQuantity },
      ...stack.batteries.filter(({ unit }) => unit.id !== stack.inverter.id),
    ].flatMap(({ unit, quantity }) =>
      Array.from({ length: quantity }, (_, index) => unitThing(unit, island.id, index + 1, quantity)),
    );
    const boxes = island.services.map((service) => {
      const { school } = serviceBackup(plan, service.id);
      const ratingA = service.ratingA ?? plan.supply.serviceRatingA;
      const of = island.services.length > 1 ? ` of ${service.name}` : '';
      return school === 'loads-panel' || school === 'feeder'
        ? boxThing('panel', `panel:${service.id}`, `Backed-up loads panel${of}`, island.id)
        : boxThing(
            'isolating-device',
            `device:${service.id}`,
            `Isolating device${ratingA === null ? '' : `, ${ratingA} A`}${of}`,
            island.id,
          );
    });
    return [
      ...units,
      ...boxes,
      boxThing('disconnect', `disconnect:${island.id}`, 'Disconnect of the source', island.id),
      boxThing('gutter', `gutter:${island.id}`, 'Gutter', island.id),
    ];
  });
}
