import type { Catalogue } from '../../equipment/index.js';
import { dcOfAcW, acOfDcW } from '../../electric/index.js';
import { outagePlan, type OutageStudy, type OutageYear, weatherUse } from '../../study/details.js';
import type { KnownOutage } from '../outages/known-outage.js';
import { hasArrays } from '../replay/known-sun.js';
import { type ReckonedYear, reckonedYears } from '../replay/reckoned-years.js';

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
 * @param years it is held against, where somebody has reckoned them already
 * @returns null where nothing is known of it, or nothing is backed up
 */
export function loadEvidence(
  study: OutageStudy,
  known: KnownOutage,
  catalogue: Catalogue,
  years: readonly ReckonedYear[] = reckonedYears(study, known, catalogue),
): LoadEvidence | null {
  const [first] = years;
  if (!first) return null;
  const seen = (minute: number): boolean => {
    const { course } = known;
    return !course || !Number.isNaN(course.loadW[minute]!);
  };
  const took = tookOf(known, first.year);
  if (!took || took.hours < leastH) return null;
  let ordinaryWh = 0;
  let weatherWh = 0;
  const counts = took.from === 'recorded' ? seen : () => true;
  for (const { year, met, fromMinute } of years) {
    const wh = (follows: boolean): number => reckonedWh(met ?? year, follows, fromMinute, known, counts);
    ordinaryWh += wh(false) / years.length;
    weatherWh += wh(true) / years.length;
  }
  return {
    outageId: known.outage.id,
    ordinaryWh,
    weatherWh,
    tookWh: took.wh,
    errorWh: Math.hypot(took.errorWh, strays * took.wh),
    from: took.from,
  };
}

/** Reckoned energy of the loads that follow the weather, or that do not: those that its charge shed are off, as they were. */
function reckonedWh(
  year: OutageYear,
  follows: boolean,
  fromMinute: number,
  { course, litMin }: KnownOutage,
  counts: (minute: number) => boolean,
): number {
  const loads = year.house.loads.filter(({ load }) => (weatherUse(load.kind) !== 'none') === follows);
  const { trace } = outagePlan({ ...year, house: { ...year.house, loads } }, fromMinute, litMin);
  const { usableWh } = year.hardware;
  let wh = 0;
  for (let minute = 0; minute < litMin; minute += 1) {
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
  { outage, course, startCharge, endCharge, emptyMin, litMin }: KnownOutage,
  { hardware, sun }: OutageYear,
): {
  readonly wh: number;
  readonly errorWh: number;
  readonly hours: number;
  readonly from: LoadEvidence['from'];
} | null {
  if (course) {
    const known = Array.from(course.loadW.subarray(0, litMin)).filter((watts) => !Number.isNaN(watts));
    const wh = known.reduce((sum, watts) => sum + watts / 60, 0);
    if (known.length > 0)
      return { wh, errorWh: recordedError * wh, hours: known.length / 60, from: 'recorded' };
  }
  const hours = litMin / 60;
  if (outage.meanW !== null) {
    const wh = outage.meanW * hours;
    return { wh, errorWh: saidError * wh, hours, from: 'said' };
  }
  const end = emptyMin === null ? endCharge : hardware.keptWh / hardware.usableWh;
  if (startCharge === null || end === null || (hasArrays(sun) && outage.sunWh === null)) return null;
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
