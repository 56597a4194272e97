import { groupBy, nameList } from '../../base/index.js';
import type { Plan } from '../../design/index.js';
import { placeKinds } from '../../house/index.js';
import type { Subject } from '../../rules/packs.js';
import type { PlacedThing } from '../things/placed-things.js';
import type { Thing } from '../things/thing.js';

/** Energy stored by kind of place, summed over its walls. */
export function energySubjects(
  plan: Pick<Plan, 'site'>,
  placed: readonly PlacedThing[],
): Subject<'place-energy'>[] {
  const storing = placed.filter(({ thing }) => thing.energyWh > 0);
  return [...groupBy(storing, ({ wall }) => wall.place)].map(([place, there]) => ({
    kind: 'place-energy',
    keyBefore: 'energy',
    keyAfter: place,
    name: placeKinds[place].label,
    about: there[0]!.thing.id,
    units: plan.site.units,
    facts: {
      place,
      placeName: placeKinds[place].label,
      units: {
        names: nameList(
          there.map(({ thing }) => thing.name),
          6,
        ),
        ids: there.map(({ thing }) => thing.id),
      },
      energyWh: there.reduce((sum, { thing }) => sum + thing.energyWh, 0),
      largestWh: Math.max(...there.map(({ thing }) => thing.energyWh)),
    },
  }));
}

/** The placement as a whole. */
export function wholeSubject(
  { lot, site }: Pick<Plan, 'lot' | 'site'>,
  things: readonly Thing[],
  placed: readonly PlacedThing[],
): Subject<'placement'> {
  const there = new Set(placed.map(({ thing }) => thing.id));
  const missing = things.filter(({ id, isOptional }) => !isOptional && !there.has(id));
  return {
    kind: 'placement',
    keyBefore: 'placement',
    keyAfter: '',
    name: 'Placement',
    about: missing[0]?.id ?? '',
    units: site.units,
    facts: {
      walls: lot.walls.length,
      unplaced: {
        names: nameList(
          missing.map(({ name }) => name),
          5,
        ),
        ids: missing.map(({ id }) => id),
      },
      energyWh: placed.reduce((sum, { thing }) => sum + thing.energyWh, 0),
      altitudeM: lot.altitudeM,
    },
  };
}
