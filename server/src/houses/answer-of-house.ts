import type { HouseAnswer, WeatherHours } from '@levamen/core/api';
import { weatherYearOf } from '@levamen/core/api';
import { chosenFor, islandsOf } from '@levamen/core/design';
import { catalogueOf, type Item } from '@levamen/core/equipment';
import { type Job, planOf } from '@levamen/core/job';
import type { OutageAsked } from '@levamen/core/logbook';
import { outageAhead } from '@levamen/core/logbook/details';

/** Everything a house is asked by. */
export interface HouseTask {
  readonly asked: OutageAsked;
  readonly job: Job;
  readonly revision: number;
  /** What its designs may be made of. */
  readonly items: readonly Item[];
  readonly weather: WeatherHours | null;
}

/** Has every island of the chosen design of a house play the outage that is asked for. */
export function answerOfHouse({ asked, job, revision, items, weather }: HouseTask): HouseAnswer {
  const plan = planOf(job, job.chosenDesignId);
  const catalogue = catalogueOf(items);
  const year = weather && weatherYearOf(weather);
  const islands: HouseAnswer['islands'] = [];
  const problems: string[] = [];
  for (const island of islandsOf(plan)) {
    const parts = chosenFor(plan, island);
    if (!parts) {
      problems.push(`${island.name}: no equipment is chosen.`);
      continue;
    }
    const told = outageAhead({ plan, islandId: island.id, parts, weather: year }, asked, catalogue);
    if (told) islands.push({ name: island.name, ...told });
    else problems.push(`${island.name}: nothing is backed up, or its units do not go together.`);
  }
  return { revision, islands, problem: problems.join(' ') };
}
