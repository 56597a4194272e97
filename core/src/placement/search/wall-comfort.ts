import type { WeatherYear } from '../../nature/index.js';
import type { Wall } from '../../house/index.js';
import { judge, packFor } from '../../rules/packs.js';
import type { PlacementPlan } from '../things/placement-plan.js';
import { brokenTitle } from './wall-judge.js';
import type { WallComfort } from './search-walls.js';
import { climateSubjects } from '../subjects/climate-subjects.js';
import type { Thing } from '../things/thing.js';
import { climateFacts } from '../climate/climate-facts.js';

/** Where units hang, to judge a wall before anything hangs there: their middle, m. */
const usualMiddleM = 1.2;

/** Sun and temperature that units would meet on a wall, at the height they usually hang; the worst of them counts. */
export function wallComfort(
  plan: PlacementPlan,
  units: readonly Thing[],
  wall: Wall,
  weather: WeatherYear,
): WallComfort {
  const { rules, edition } = packFor(plan);
  const asked = {
    rules: rules.filter(({ on, severity }) => on === 'placed-climate' && severity !== 'consider'),
    edition,
  };
  let comfort: WallComfort = { hottestC: -Infinity, coldH: 0, forbids: '' };
  const seen = new Set<string>();
  for (const thing of units) {
    const alike = thing.unit?.id ?? thing.id;
    if (seen.has(alike)) continue;
    seen.add(alike);
    const { widthM, heightM } = thing;
    const bottomM = thing.mounting === 'floor' ? 0 : Math.max(0, usualMiddleM - heightM / 2);
    const placed = { thing, wall, leftM: 0, bottomM, widthM, heightM };
    const facts = climateFacts(plan, placed, weather);
    const broken = judge(asked, climateSubjects(plan, [placed], [facts])).find(
      ({ verdict }) => verdict === 'fails',
    );
    comfort = {
      hottestC: Math.max(comfort.hottestC, facts.hottestC),
      coldH: Math.max(comfort.coldH, facts.coldH),
      forbids: comfort.forbids === '' && broken ? brokenTitle(broken) : comfort.forbids,
    };
  }
  return comfort;
}
