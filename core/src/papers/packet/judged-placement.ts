import { type CheckedPlacement, checkPlacement, climateFacts, thingsOf } from '../../placement/details.js';
import { outageWeather } from '../../study/details.js';
import type { DesignStudy } from '../study/design-study.js';

/** What hangs where, judged like in the stage: with the sun and temperature of its places. */
export function judgedPlacement({ plan, stackOf, weather }: DesignStudy): CheckedPlacement {
  const things = thingsOf(plan, stackOf);
  const bare = checkPlacement(plan, things, []);
  const units = bare.placed.filter(({ thing }) => thing.unit !== null);
  if (units.length === 0) return bare;
  const year = outageWeather(plan, weather);
  return checkPlacement(
    plan,
    things,
    units.map((one) => climateFacts(plan, one, year)),
  );
}
