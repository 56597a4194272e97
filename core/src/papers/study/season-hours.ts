import { type Season, seasons } from '../../nature/index.js';
import type { Plan } from '../../design/index.js';
import type { SeasonOutlook } from '../../study/index.js';
import type { IslandStudy } from './design-study.js';

/** How outages go that begin in a season. */
export interface SeasonHours {
  readonly season: Season;
  readonly outlook: SeasonOutlook;
}

/** Hours by season, simulated like the runtime; nothing where nothing feeds the island. */
export function seasonHours(plan: Plan, { stack, simulation }: IslandStudy): Promise<SeasonHours[]> {
  if (!stack) return Promise.resolve([]);
  const one = async (season: Season): Promise<SeasonHours[]> => {
    const outlook = await simulation.outlook(
      { ...plan, brief: { ...plan.brief, designSeason: season } },
      stack.parts,
    );
    return outlook ? [{ season, outlook }] : [];
  };
  return Promise.all(seasons.map(one)).then((all) => all.flat());
}

/** Share of the outages of the design season that are got through, by their length, h; as far as they were followed. */
export function reachedShares(
  plan: Plan,
  { stack, simulation, outlook }: IslandStudy,
  hours: readonly number[],
): { readonly hours: number; readonly share: number }[] {
  if (!stack || !outlook) return [];
  const survived = simulation.played(plan, stack.parts).flatMap(({ survivedMin }) => Array.from(survivedMin));
  return hours
    .filter((length) => length <= outlook.followedH)
    .map((length) => ({
      hours: length,
      share: survived.filter((minutes) => minutes >= length * 60 - 1e-6).length / survived.length,
    }));
}
