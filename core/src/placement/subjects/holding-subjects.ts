import type { Plan } from '../../design/index.js';
import type { Subject } from '../../rules/packs.js';
import { holdOf } from '../holding/hold-of.js';
import type { PlacedThing } from '../things/placed-things.js';

/** A bracket of something heavy reaches two studs, of a small box one (common practice, no source). */
const heavyKg = 25;

/** What rules ask of how things are held. */
export function holdingSubjects(
  plan: Pick<Plan, 'lot' | 'placement' | 'site'>,
  placed: readonly PlacedThing[],
): Subject<'holding'>[] {
  return placed
    .filter(({ thing }) => thing.kind === 'unit')
    .map((one) => {
      const hold = holdOf(one, plan.placement);
      const { thing, wall } = one;
      const { lags } = hold;
      return {
        kind: 'holding',
        keyBefore: 'holding',
        keyAfter: thing.id,
        name: thing.name,
        about: thing.id,
        units: plan.site.units,
        facts: {
          name: thing.name,
          wall: wall.name,
          massKg: hold.massKg,
          madeOf: wall.construction,
          hangs: !hold.stands,
          studs: hold.studsM?.length ?? null,
          needsStuds: hold.massKg > heavyKg ? 2 : 1,
          plywood: hold.plywood,
          fixings: lags?.count ?? null,
          pullN: lags?.pullN ?? null,
          holdsN: lags?.holdsN ?? null,
          shearN: lags?.shearN ?? null,
          bearsN: lags?.bearsN ?? null,
          use: lags?.use ?? null,
          people: hold.people,
          seismic: plan.lot.seismic === true,
          tied: hold.stands,
        },
      };
    });
}
