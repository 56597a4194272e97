import { type Plan, wallWork } from '../../design/index.js';
import type { Subject } from '../../rules/packs.js';
import type { ClimateFacts } from '../climate/climate-facts.js';
import type { PlacedThing } from '../things/placed-things.js';

/** What rules ask of sun and temperature where units are; of a thing whose climate is not worked out yet, nothing. */
export function climateSubjects(
  plan: Pick<Plan, 'lot' | 'placement' | 'site'>,
  placed: readonly PlacedThing[],
  climates: readonly ClimateFacts[],
): Subject<'placed-climate'>[] {
  const byThing = new Map(climates.map((climate) => [climate.thingId, climate]));
  return placed.flatMap((one): Subject<'placed-climate'>[] => {
    const { thing, wall } = one;
    const climate = byThing.get(thing.id);
    if (!climate || !thing.unit) return [];
    const { body, battery } = thing.unit;
    return [
      {
        kind: 'placed-climate',
        keyBefore: 'climate',
        keyAfter: thing.id,
        name: thing.name,
        about: thing.id,
        units: plan.site.units,
        facts: {
          name: thing.name,
          wall: wall.name,
          sunH: climate.summerSunH,
          shade: wallWork(plan.placement, wall.id).shade === true,
          hottestC: climate.hottestC,
          coldestC: climate.coldestC,
          bearsC: body.hottestC,
          worksFromC: body.coldestC,
          coldH: climate.coldH,
          heater: body.heaterW !== null,
          lithium: battery?.chemistry === 'lithium',
          hotH: climate.hotH,
          powerLeft: climate.powerLeft,
        },
      },
    ];
  });
}
