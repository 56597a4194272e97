import { standardOffsetS, zoneOffsetS } from './wall-clock.js';

const dayS = 86_400;

/** From a moment on, the zone is so far from UTC. */
interface OffsetSpan {
  readonly fromS: number;
  readonly offsetS: number;
}

/** The offsets of a zone over a stretch of time: looked up day by day, the change found by halving. */
export function offsetSpans(zone: string, fromS: number, toS: number): OffsetSpan[] {
  const spans: OffsetSpan[] = [{ fromS, offsetS: zoneOffsetS(zone, fromS) }];
  for (let atS = fromS; atS < toS; atS += dayS) {
    const present = spans.at(-1)!.offsetS;
    const nextS = Math.min(toS, atS + dayS);
    const next = zoneOffsetS(zone, nextS);
    if (next === present) continue;
    let [low, high] = [atS, nextS];
    while (high - low > 1) {
      const middle = Math.floor((low + high) / 2);
      if (zoneOffsetS(zone, middle) === present) low = middle;
      else high = middle;
    }
    spans.push({ fromS: high, offsetS: next });
  }
  return spans;
}

/** Weekday of a day since 1970, which began on a Thursday; 0 = Monday. */
export const weekdayOf = (day: number): number => (((day + 3) % 7) + 7) % 7;

/** Calendar of a grid of time on the clock of the house: one entry an interval. */
export interface LocalTimes {
  readonly hour: Uint8Array;
  /** Minutes since midnight. */
  readonly minute: Uint16Array;
  /** 0 = January. */
  readonly month: Uint8Array;
  /** 0 = Monday. */
  readonly weekday: Uint8Array;
  /** Days since the first one. */
  readonly day: Uint16Array;
  readonly firstDay: number;
  readonly dayCount: number;
}

/**
 * Works out hour, month, weekday and day of every interval, counted at its begin.
 *
 * @param kind "standard": a clock that stays on the standard time of the zone all year
 */
export function localTimes(
  startS: number,
  intervalS: number,
  count: number,
  zone: string,
  kind: 'zone' | 'standard' = 'zone',
): LocalTimes {
  const hour = new Uint8Array(count);
  const minute = new Uint16Array(count);
  const month = new Uint8Array(count);
  const weekday = new Uint8Array(count);
  const day = new Uint16Array(count);
  const spans =
    kind === 'zone'
      ? offsetSpans(zone, startS, startS + count * intervalS)
      : [{ fromS: startS, offsetS: standardOffsetS(zone) }];
  let span = 0;
  const firstDay = Math.floor((startS + spans[0]!.offsetS) / dayS);
  let knownDay = -1;
  let knownMonth = 0;
  let last = firstDay;
  for (let i = 0; i < count; i += 1) {
    const utcS = startS + i * intervalS;
    while (span + 1 < spans.length && utcS >= spans[span + 1]!.fromS) span += 1;
    const wallS = utcS + spans[span]!.offsetS;
    const dayNumber = Math.floor(wallS / dayS);
    if (dayNumber !== knownDay) {
      knownDay = dayNumber;
      knownMonth = new Date(dayNumber * dayS * 1000).getUTCMonth();
    }
    const minuteOfDay = Math.floor((wallS - dayNumber * dayS) / 60);
    minute[i] = minuteOfDay;
    hour[i] = Math.floor(minuteOfDay / 60);
    month[i] = knownMonth;
    weekday[i] = weekdayOf(dayNumber);
    day[i] = dayNumber - firstDay;
    last = dayNumber;
  }
  return { hour, minute, month, weekday, day, firstDay, dayCount: count === 0 ? 0 : last - firstDay + 1 };
}

/** A moment on the clock of the house: "2026-02-28T17:05". */
export function clockText(utcS: number, zone: string): string {
  return new Date((utcS + zoneOffsetS(zone, utcS)) * 1000).toISOString().slice(0, 16);
}
