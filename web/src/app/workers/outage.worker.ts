import type { Catalogue } from '@levamen/core/equipment';
import {
  horizonMin,
  KeptYear,
  outageFates,
  outagePlan,
  type OutageStudy,
  type OutageYear,
  playedOfBrief,
  playOutage,
  reservePoint,
  runtimeOutlook,
  type PlayedSeason,
  seedsOf,
  shiftsOfBrief,
  studyYear,
  tallyOfBrief,
  windowFor,
} from '@levamen/core/study';
import { expose, transfer } from 'comlink';
import type { OutageApi } from './outage-api';

let present: {
  readonly study: OutageStudy;
  readonly catalogue: Catalogue;
  readonly year: OutageYear;
} | null = null;

/** Years that were asked about last. */
let kept: readonly KeptYear[] = [];
const yearsOf = (seeds: readonly number[]): readonly KeptYear[] => {
  kept = seeds.map((seed) => kept.find((year) => year.seed === seed) ?? new KeptYear(seed));
  return kept;
};

/** How the outages of a year go for the study that was asked about last; lists of groups come in pieces. */
const lastPlayed = new Map<number, { readonly text: string; readonly played: PlayedSeason | null }>();
function playedFor(study: OutageStudy, catalogue: Catalogue, year: KeptYear): PlayedSeason | null {
  const text = JSON.stringify([study.plan, study.parts, study.islandId, study.weather?.name ?? null]);
  const known = lastPlayed.get(year.seed);
  if (known?.text === text) return known.played;
  const played = playedOfBrief(study, catalogue, year);
  lastPlayed.set(year.seed, { text, played });
  return played;
}

const api: OutageApi = {
  prepare: (study, catalogue) => {
    const year = studyYear(study, catalogue);
    present = year && { study, catalogue, year };
    return year !== null;
  },
  play: (fromMinute, minutes) => (present ? playOutage(present.year, fromMinute, minutes) : null),
  fates: (firstHour, hours) => {
    if (!present) throw new Error('Nothing is prepared');
    const plan = outagePlan(present.year, firstHour * 60, windowFor(hours, horizonMin));
    const { survivedMin, cause } = outageFates(plan, { hours, horizonMin });
    const tripMin = plan.overloads[0]!.subarray(0, hours * 60).reduce(
      (sum, mark) => sum + (mark > 0 ? 1 : 0),
      0,
    );
    return transfer({ firstHour, survivedMin, cause, tripMin }, [survivedMin.buffer, cause.buffer]);
  },
  seed: (seed, everyH, startCharges) => {
    const year = present && studyYear(present.study, present.catalogue, seed);
    if (!year) return [];
    const plan = outagePlan(year, 0, windowFor(8760, horizonMin));
    return startCharges.map((share) => {
      const chargeAt = (): number => share * year.hardware.usableWh;
      return outageFates(plan, { hours: 8760, everyH, horizonMin, chargeAt }).survivedMin;
    });
  },
  runtime: (study, catalogue) => runtimeOutlook(study, catalogue, yearsOf(seedsOf(study.plan))),
  playBrief: (study, catalogue, seeds) =>
    yearsOf(seeds).flatMap((year) => playedOfBrief(study, catalogue, year) ?? []),
  shiftBrief: (study, catalogue, seeds, groups) =>
    yearsOf(seeds).map((year) => {
      const played = playedFor(study, catalogue, year);
      return played ? shiftsOfBrief(study, catalogue, year, played, groups) : [];
    }),
  tallyBrief: (study, catalogue, seeds) => tallyOfBrief(study, catalogue, yearsOf(seeds)),
  reserve: (heldBack, season, requiredH) =>
    present && reservePoint(present.year, heldBack, season, requiredH),
};
expose(api);
