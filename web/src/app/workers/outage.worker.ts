import type { Catalogue } from '@levamen/core/equipment';
import { seedsOf } from '@levamen/core/study';
import {
  comfortServed,
  hardOutage,
  horizonMin,
  KeptYear,
  type LoadGroup,
  outageFates,
  outagePlan,
  type OutageStudy,
  type OutageYear,
  playedOfBrief,
  playOutage,
  type DailyHouse,
  dailyHouse,
  reservePoint,
  type ShiftOfGroup,
  shiftsOfBrief,
  studyYear,
  tallyOfBrief,
  windowFor,
} from '@levamen/core/study/details';
import { expose, transfer } from 'comlink';
import type { OutageApi } from './outage-api';

let present: {
  readonly study: OutageStudy;
  readonly catalogue: Catalogue;
  readonly year: OutageYear;
} | null = null;

/** Of the study at hand, the house with the grid there: asked for once for all points of a curve. */
let withGrid: { readonly of: OutageStudy; readonly house: DailyHouse } | null = null;
function reserveQuestion({ study, year }: NonNullable<typeof present>) {
  const { plan, weather, islandId } = study;
  if (withGrid?.of !== study)
    withGrid = { of: study, house: dailyHouse(plan, weather, 60, yearOf(study, plan.outage.seed)) };
  return { plan, islandId, year, house: withGrid.house };
}

/** Years that were asked about last. */
let kept: readonly KeptYear[] = [];
function yearOf({ plan }: OutageStudy, seed: number): KeptYear {
  const known = kept.find((year) => year.seed === seed);
  if (known) return known;
  const made = new KeptYear(seed);
  // Those of a plan with other seeds are not asked for again.
  kept = [...kept.filter((year) => seedsOf(plan).includes(year.seed)), made];
  return made;
}

/** Of each year, what answers for the study that was asked about last: lists of groups come in pieces. */
const lastShifts = new Map<number, { readonly text: string; readonly shiftsOf: ShiftsOf }>();
type ShiftsOf = (groups: readonly LoadGroup[]) => ShiftOfGroup[];
function shiftsFor(study: OutageStudy, catalogue: Catalogue, year: KeptYear): ShiftsOf {
  const text = JSON.stringify([study.plan, study.parts, study.islandId, study.weather?.name ?? null]);
  const known = lastShifts.get(year.seed);
  if (known?.text === text) return known.shiftsOf;
  const played = playedOfBrief(study, catalogue, year);
  const shiftsOf = played ? shiftsOfBrief(study, catalogue, year, played) : () => [];
  lastShifts.set(year.seed, { text, shiftsOf });
  return shiftsOf;
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
  playBrief: (study, catalogue, seed) => playedOfBrief(study, catalogue, yearOf(study, seed)),
  shiftBrief: (study, catalogue, seed, groups) => shiftsFor(study, catalogue, yearOf(study, seed))(groups),
  tallyBrief: (study, catalogue, seed, before) =>
    tallyOfBrief(study, catalogue, [yearOf(study, seed)], before),
  comfort: (study, catalogue, seed) => comfortServed(study, catalogue, yearOf(study, seed)),
  hard: (study, catalogue, seed) => hardOutage(study, catalogue, yearOf(study, seed)),
  reserve: (heldBack, season, requiredH) =>
    present && reservePoint(reserveQuestion(present), heldBack, season, requiredH),
};
expose(api);
