import type { OutageYear } from '../../study/details.js';
import type { KnownOutage } from '../outages/known-outage.js';
import { skyTimes } from './sky-times.js';

/** From this charge on arrays are held back: how much they could give is not seen. */
const heldBackAbove = 0.97;
const minutesOfDay = 1440;

/** What the arrays gave in an outage, as far as it is known. */
export interface KnownSun {
  readonly sun: OutageYear['sun'];
  /** Until the house was dark, Wh: as it was, and as it was reckoned. */
  readonly wh: number;
  readonly reckonedWh: number;
}

/** Arrays give something in the year. */
export const hasArrays = ({ acW, dcW }: OutageYear['sun']): boolean =>
  acW.some((watts) => watts > 0) || dcW.some((watts) => watts > 0);

/**
 * The sun of an outage as far as it is known: recorded by the minute, else reckoned and brought to the energy or the sky that was said.
 * While the battery was full, what was reckoned counts: arrays that are held back do not show what they could give.
 *
 * @param fromMinute of the year
 * @param minutes that are played, longer than the outage where it is followed further
 * @param met the sun of the year it really was, where somebody has that: it counts where nothing was recorded or said
 * @returns null where nothing is known, or there are no arrays
 */
export function knownSun(
  year: Pick<OutageYear, 'sun' | 'weather'>,
  { outage, course, minutes: lasted, litMin }: KnownOutage,
  fromMinute: number,
  minutes: number,
  met: OutageYear['sun'] | null = null,
): KnownSun | null {
  const { sun, weather } = year;
  const length = sun.acW.length;
  const reckonedAt = (minute: number): number => {
    const at = (fromMinute + minute) % length;
    return sun.acW[at]! + sun.dcW[at]!;
  };
  let reckoned = 0;
  for (let minute = 0; minute < litMin; minute += 1) reckoned += reckonedAt(minute) / 60;
  if (!hasArrays(sun)) return null;

  const wanted = new Float32Array(minutes);
  const isRecorded = course?.sunW.some((watts) => !Number.isNaN(watts)) ?? false;
  if (course && isRecorded) {
    let seenWh = 0;
    let reckonedWh = 0;
    for (let minute = 0; minute < minutes; minute += 1) {
      const seen = minute < litMin ? (course.sunW[minute] ?? NaN) : NaN;
      const could = reckonedAt(minute);
      if (Number.isNaN(seen)) {
        wanted[minute] = reckonedWh > 0 ? could * Math.min(2, seenWh / reckonedWh) : could;
        continue;
      }
      const isHeldBack = (course.charge[minute] ?? 0) >= heldBackAbove;
      wanted[minute] = isHeldBack ? Math.max(seen, could) : seen;
      seenWh += wanted[minute]! / 60;
      reckonedWh += could / 60;
    }
  } else if (outage.sunWh !== null) {
    if (reckoned <= 0) return null;
    const times = outage.sunWh / reckoned;
    for (let minute = 0; minute < minutes; minute += 1) wanted[minute] = reckonedAt(minute) * times;
  } else if (outage.sky !== null) {
    const firstDay = Math.floor(fromMinute / minutesOfDay);
    const times = new Map<number, number>();
    for (let minute = 0; minute < minutes; minute += 1) {
      const day = Math.floor((fromMinute + minute) / minutesOfDay);
      // The sky that was said is that of the days of the outage.
      const known = day - firstDay <= Math.floor(lasted / minutesOfDay);
      if (known && !times.has(day)) times.set(day, skyTimes(weather, day % 365, outage.sky));
      wanted[minute] = reckonedAt(minute) * (times.get(day) ?? 1);
    }
  } else if (met) {
    for (let minute = 0; minute < minutes; minute += 1) {
      const at = (fromMinute + minute) % length;
      wanted[minute] = met.acW[at]! + met.dcW[at]!;
    }
  } else return null;

  const acW = sun.acW.slice();
  const dcW = sun.dcW.slice();
  const isAc = acW.some((watts) => watts > 0);
  let wh = 0;
  for (let minute = 0; minute < minutes; minute += 1) {
    const at = (fromMinute + minute) % length;
    const could = acW[at]! + dcW[at]!;
    const watts = wanted[minute]!;
    if (minute < litMin) wh += watts / 60;
    if (could > 0) {
      acW[at] = (acW[at]! * watts) / could;
      dcW[at] = (dcW[at]! * watts) / could;
    } else if (isAc) acW[at] = watts;
    else dcW[at] = watts;
  }
  return { sun: { ...sun, acW, dcW, sooner: [] }, wh, reckonedWh: reckoned };
}
