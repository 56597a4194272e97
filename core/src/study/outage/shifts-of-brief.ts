import type { Catalogue } from '../../equipment/index.js';
import { settingsOf } from '../../design/index.js';
import type { KeptYear } from './kept-year.js';
import { outageFates } from './outage-fates.js';
import { outagePlan, type OutageYear } from './outage-plan.js';
import { type OutageStudy, studyYear } from './outage-study.js';
import type { PlayedSeason } from './played-season.js';
import { runtimeQuestion } from './runtime-question.js';
import { seasonWindows, startsOfBrief } from './season-windows.js';
import { type TracedHouse, type TracedLoad, traceHouse } from './traced-house.js';

/** Some loads that would change their standing together: a circuit, or one load. */
export interface LoadGroup {
  readonly id: string;
  readonly loadIds: readonly string[];
}

/** What becomes of the outages near the runtime when a group changes its standing. */
export interface ShiftOfGroup {
  readonly id: string;
  /** By how much each of these outages would last longer, min. */
  readonly longerMin: Float32Array;
}

/** Ranks of the outages that are played again, as shares of all: around the one that 19 of 20 reach, or around the median. */
const near = { hard: [0.02, 0.08], usual: [0.44, 0.56] } as const;

/** The house with a group left off, or kept on where it is not on throughout. */
function changed(
  year: OutageYear,
  kept: KeptYear,
  { loadIds }: LoadGroup,
): { readonly house: TracedHouse; readonly left: boolean } {
  const { house, context } = year;
  const ids = new Set(loadIds);
  const own = house.loads.filter(({ load }) => ids.has(load.id));
  const others = house.loads.filter(({ load }) => !ids.has(load.id));
  const left = own.some((load) => load.kept === 'always');
  if (left) return { house: { ...house, loads: others }, left };
  const joining = context.plan.loads.filter(({ id }) => ids.has(id));
  const { settings, plan } = context;
  const traced = traceHouse(
    house.system,
    joining.map((load) => ({ load, lane: 'on', shed: null })),
    {
      seed: kept.seed,
      latitudeDeg: year.weather.latitudeDeg,
      factors: kept.factors,
      household: plan.outage.household,
      handsOn: settings.handsOn.value,
      cyclesOf: kept.cyclesOf,
    },
  ).loads.map((load): TracedLoad => ({ ...load, offFromStage: Infinity }));
  return { house: { ...house, loads: [...others, ...traced] }, left };
}

/**
 * What groups of loads cost, or would cost, in one year: the outages near the runtime are played again with each group left off or
 * kept on, everything else being the same.
 *
 * @param kept the year; what it knows is used again
 * @param played the outages of this year as they are, see {@link playedOfBrief}
 * @returns what is to be asked for groups, as many times as there are lists of them
 */
export function shiftsOfBrief(
  asked: OutageStudy,
  catalogue: Catalogue,
  kept: KeptYear,
  played: PlayedSeason,
): (groups: readonly LoadGroup[]) => ShiftOfGroup[] {
  const { study, followedMin } = runtimeQuestion(asked);
  const year = studyYear(study, catalogue, kept.seed, kept);
  if (year === null) return () => [];
  const settings = settingsOf(study.plan);
  const order = Array.from(played.survivedMin.keys()).toSorted(
    (a, b) => played.survivedMin[a]! - played.survivedMin[b]!,
  );
  const [from, to] = near[settings.outageWeather.value === 'usual' ? 'usual' : 'hard'];
  const chosen = order
    .slice(Math.floor(order.length * from), Math.max(1, Math.ceil(order.length * to)))
    .toSorted((a, b) => a - b);
  let before = 0;
  const { latitudeDeg } = year.weather;
  const stretches = seasonWindows(settings.designSeason.value, latitudeDeg, followedMin).map((stretch) => {
    const { hours, window } = stretch;
    const all = startsOfBrief(stretch, study.plan.outage.days, year.weather);
    const places = chosen.filter((place) => place >= before && place < before + all.length);
    const first = before;
    const starts = places.map((place) => all[place - first]!);
    before += all.length;
    const { overloads, overloadsBeside, trace } = outagePlan(
      year,
      window.fromMinute,
      window.minutes,
      kept.demandOf(year.house, window),
    );
    // Where nothing is let on only where there is room, fewer loads overload in fewer minutes.
    const fuller = trace.managed.length === 0 ? { overloads, overloadsBeside } : null;
    return { window, hours, starts, places, fuller };
  });
  const shiftOf = (group: LoadGroup): ShiftOfGroup => {
    const { house, left } = changed(year, kept, group);
    const longer: number[] = [];
    for (const { window, hours, starts, places, fuller } of stretches) {
      if (starts.length === 0) continue;
      const sum = kept.demandOf(house, window);
      const plan = outagePlan(
        { ...year, house },
        window.fromMinute,
        window.minutes,
        sum,
        left ? fuller : null,
      );
      const { survivedMin } = outageFates(plan, { hours, starts, horizonMin: followedMin });
      places.forEach((place, i) => longer.push(survivedMin[starts[i]!]! - played.survivedMin[place]!));
    }
    return { id: group.id, longerMin: Float32Array.from(longer) };
  };
  return (groups) => {
    // Somebody may have asked about other weather in between.
    kept.weather(study.plan, study.weather);
    return groups.map(shiftOf);
  };
}
