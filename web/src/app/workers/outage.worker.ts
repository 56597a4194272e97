import type { Catalogue } from '@levamen/core/equipment';
import {
  horizonMin,
  outageFates,
  outagePlan,
  type OutageStudy,
  type OutageYear,
  playOutage,
  reservePoint,
  runtimeOutlook,
  seasonOutlook,
  studyYear,
  windowFor,
} from '@levamen/core/study';
import { expose, transfer } from 'comlink';
import type { OutageApi } from './outage-api';

let present: {
  readonly study: OutageStudy;
  readonly catalogue: Catalogue;
  readonly year: OutageYear;
} | null = null;

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
  outlook: (season, wish) => present && seasonOutlook(present.year, season, wish),
  runtime: (study, catalogue) => runtimeOutlook(study, catalogue),
  reserve: (heldBack, season, requiredH) =>
    present && reservePoint(present.year, heldBack, season, requiredH),
};
expose(api);
