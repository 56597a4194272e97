import type { Plan } from '@levamen/core/design';
import {
  checkPlacement,
  type ClimateFacts,
  climateFacts,
  placedThings,
  placementSubjects,
  rankWalls,
  searchWall,
  type Thing,
  thingsOf,
  wallComfort,
} from '@levamen/core/placement/details';
import { outageWeather } from '@levamen/core/study/details';
import { expose } from 'comlink';
import { stackOf } from '../data/stack-of';
import type { PlacementApi, PlacementAsked } from './placement-api';

const thingsIn = (asked: PlacementAsked): Thing[] => thingsOf(asked.plan, stackOf(asked));

/** What was checked last. */
let last: {
  readonly plan: Plan;
  readonly things: readonly Thing[];
  readonly climates: readonly ClimateFacts[];
} | null = null;

const api: PlacementApi = {
  check: (asked) => {
    const { plan } = asked;
    const weather = outageWeather(plan, asked.weather);
    const things = thingsIn(asked);
    const climates = placedThings(plan, things).flatMap((one) =>
      one.thing.kind === 'unit' ? [climateFacts(plan, one, weather)] : [],
    );
    last = { plan, things, climates };
    return { climates, margin: checkPlacement(plan, things, climates).margin };
  },
  subjects: () => (last ? placementSubjects(last.plan, last.things, last.climates) : []),
  search: async (asked, onWall) => {
    const { plan, thingIds, stepM } = asked;
    const weather = outageWeather(plan, asked.weather);
    const things = thingsIn(asked);
    const wanted = things.filter(({ id }) => thingIds.includes(id));
    const { walls } = plan.lot;
    const results = [];
    for (const [index, wall] of walls.entries()) {
      results.push(searchWall(plan, things, wanted, wall, stepM, wallComfort(plan, wanted, wall, weather)));
      onWall(index + 1, walls.length);
      // What was told leaves before the next wall is begun.
      await new Promise((resolve) => setTimeout(resolve));
    }
    return rankWalls(results);
  },
};
expose(api);
