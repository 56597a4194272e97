import type { Catalogue } from '../../equipment/index.js';
import { dcOfAcW, acOfDcW } from '../../electric/index.js';
import { outagePlan, type OutageStudy, type OutageYear, studyYear, weatherUse } from '../../study/details.js';
import { seedsOf } from '../../study/index.js';
import type { KnownOutage } from '../outages/known-outage.js';
import { minuteOfYear } from '../replay/minute-of-year.js';
import { knownWeather } from '../replay/known-weather.js';

/** What one outage tells of the loads: what they were reckoned to take, and what they took. */
export interface LoadEvidence {
  readonly outageId: string;
  /** Reckoned for those that run in any weather, and for those that heat and cool, Wh. */
  readonly ordinaryWh: number;
  readonly weatherWh: number;
  readonly tookWh: number;
  /** One deviation: of what is read, and of one outage from the mean of many. */
  readonly errorWh: number;
  readonly from: 'recorded' | 'said' | 'charge';
}

/** One deviation (common practice, no source): of a recorded energy, of a mean power somebody says, of what one evening strays from the mean. */
const recordedError = 0.01;
const saidError = 0.1;
const strays = 0.1;
/** Charge that is read from a display, share; and how far capacity is known, share. */
const readError = 0.01;
const capacityError = 0.03;
/** An outage that tells of less is left out, h. */
const leastH = 0.5;

/**
 * Energy the loads took in an outage beside what they were reckoned to take: recorded, else by the mean power that was said, else what
 * left the battery by its charge, the sun and the generator.
 *
 * @returns null where nothing is known of it, or nothing is backed up
 */
export function loadEvidence(
  study: OutageStudy,
  known: KnownOutage,
  catalogue: Catalogue,
): LoadEvidence | null {
  const seeds = seedsOf(study.plan);
  const first = studyYear(study, catalogue, seeds[0]!);
  if (!first) return null;
  const { outage } = known;
  const lit = Math.min(known.minutes, Math.floor(known.emptyMin ?? known.minutes));
  const seen = (minute: number): boolean => {
    const { course } = known;
    return !course || !Number.isNaN(course.loadW[minute]!);
  };
  const took = tookOf(known, first, lit);
  if (!took || took.hours < leastH) return null;
  let ordinaryWh = 0;
  let weatherWh = 0;
  for (const seed of seeds) {
    const year = seed === seeds[0] ? first : studyYear(study, catalogue, seed)!;
    const fromMinute = minuteOfYear(outage.from, year.weather.zoneH);
    const met = knownWeather(known, year.weather, fromMinute);
    const asWarm = met ? studyYear({ ...study, weather: met }, catalogue, seed)! : year;
    const wh = (isMeant: (follows: boolean) => boolean): number =>
      reckonedWh(asWarm, isMeant, fromMinute, lit, known, took.from === 'recorded' ? seen : () => true);
    ordinaryWh += wh((follows) => !follows) / seeds.length;
    weatherWh += wh((follows) => follows) / seeds.length;
  }
  return {
    outageId: outage.id,
    ordinaryWh,
    weatherWh,
    tookWh: took.wh,
    errorWh: Math.hypot(took.errorWh, strays * took.wh),
    from: took.from,
  };
}

/** Reckoned energy of some of the loads: those that its charge shed are off, as they were. */
function reckonedWh(
  year: OutageYear,
  isMeant: (follows: boolean) => boolean,
  fromMinute: number,
  minutes: number,
  { course }: KnownOutage,
  counts: (minute: number) => boolean,
): number {
  const loads = year.house.loads.filter(({ load }) => isMeant(weatherUse(load.kind) !== 'none'));
  const { trace } = outagePlan({ ...year, house: { ...year.house, loads } }, fromMinute, minutes);
  const { usableWh } = year.hardware;
  let wh = 0;
  for (let minute = 0; minute < minutes; minute += 1) {
    if (!counts(minute)) continue;
    const charge = course ? course.charge[minute]! : NaN;
    const stage = Number.isNaN(charge)
      ? 0
      : year.thresholdsWh.filter((thresholdWh) => charge * usableWh <= thresholdWh).length;
    wh += trace.demandW[stage]![minute]! / 60;
  }
  return wh;
}

function tookOf(
  { outage, course, startCharge, endCharge, emptyMin }: KnownOutage,
  { hardware, sun }: OutageYear,
  lit: number,
): {
  readonly wh: number;
  readonly errorWh: number;
  readonly hours: number;
  readonly from: LoadEvidence['from'];
} | null {
  if (course) {
    const known = Array.from(course.loadW.subarray(0, lit)).filter((watts) => !Number.isNaN(watts));
    const wh = known.reduce((sum, watts) => sum + watts / 60, 0);
    if (known.length > 0)
      return { wh, errorWh: recordedError * wh, hours: known.length / 60, from: 'recorded' };
  }
  const hours = lit / 60;
  if (outage.meanW !== null) {
    const wh = outage.meanW * hours;
    return { wh, errorWh: saidError * wh, hours, from: 'said' };
  }
  const end = emptyMin === null ? endCharge : hardware.keptWh / hardware.usableWh;
  const hasArrays = sun.acW.some((watts) => watts > 0) || sun.dcW.some((watts) => watts > 0);
  if (startCharge === null || end === null || (hasArrays && outage.sunWh === null)) return null;
  const cellsWh = (startCharge - end) * hardware.usableWh;
  const meanDcW = cellsWh / hours;
  const { lossPerW, lossPerW2, standbyW } = hardware;
  if (meanDcW <= 0 || dcOfAcW(standbyW, lossPerW, lossPerW2) >= meanDcW) return null;
  const wh =
    (acOfDcW(meanDcW, lossPerW, lossPerW2) - standbyW) * hours +
    (outage.sunWh ?? 0) +
    (outage.generatorWh ?? 0);
  return {
    wh,
    errorWh: Math.hypot(Math.SQRT2 * readError * hardware.usableWh, capacityError * cellsWh),
    hours,
    from: 'charge',
  };
}
