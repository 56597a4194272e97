/** A time as it stands in a file. */
export interface Stamp {
  /** The time on the wall, as seconds since 1970 as if it were UTC; a real moment where `absolute`. */
  readonly wallS: number;
  /** The text named its offset or counts seconds since 1970. */
  readonly absolute: boolean;
  /** The text held a day only. */
  readonly dateOnly: boolean;
}

const clock = String.raw`(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*([ap])?\.?(?:m\.?)?`;
const yearFirst = new RegExp(
  String.raw`^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?:(?:[T,]|\s)\s*${clock}\s*(Z|[+-]\d{2}:?\d{2})?)?$`,
  'i',
);
const yearLast = new RegExp(
  String.raw`^(\d{1,2})([-/.])(\d{1,2})[-/.](\d{4}|\d{2})(?:(?:[T,]|\s)\s*${clock})?$`,
  'i',
);
const clockOnly = new RegExp(`^${clock}$`, 'i');
const compact = /^(\d{4})(\d{2})(\d{2})$/;

const clockS = (
  hour: string | undefined,
  minute: string | undefined,
  second: string | undefined,
  half: string | undefined,
): number | null => {
  if (hour === undefined) return 0;
  let h = Number(hour);
  if (half) {
    if (h < 1 || h > 12) return null;
    h = (h % 12) + (half.toLowerCase() === 'p' ? 12 : 0);
  }
  const m = Number(minute);
  const s = Number(second ?? 0);
  // 24:00 is the end of the day.
  if (h > 24 || m > 59 || s > 59 || (h === 24 && m + s > 0)) return null;
  return h * 3600 + m * 60 + s;
};

const dateS = (year: number, month: number, day: number): number | null => {
  const ms = Date.UTC(year, month - 1, day);
  const date = new Date(ms);
  return date.getUTCMonth() === month - 1 && date.getUTCDate() === day ? ms / 1000 : null;
};

/**
 * Reads a date with or without a time.
 *
 * @param text for example 2026-02-28 17:05, 28.02.2026, 2/28/2026 5:05 PM, 2026-02-28T17:05:00+01:00, 1772298300
 * @param dayFirst whether 3/4/2026 is the third of April
 */
export function readStamp(text: string, dayFirst: boolean): Stamp | null {
  const trimmed = text.trim();
  let match = yearFirst.exec(trimmed);
  if (match) {
    const date = dateS(Number(match[1]), Number(match[2]), Number(match[3]));
    const time = clockS(match[4], match[5], match[6], match[7]);
    if (date === null || time === null) return null;
    const zone = match[8];
    if (!zone) return { wallS: date + time, absolute: false, dateOnly: match[4] === undefined };
    const sign = zone.startsWith('-') ? -1 : 1;
    const digits = zone.replace(/[^\d]/g, '');
    const offset =
      zone.toUpperCase() === 'Z'
        ? 0
        : sign * (Number(digits.slice(0, 2)) * 3600 + Number(digits.slice(2)) * 60);
    return { wallS: date + time - offset, absolute: true, dateOnly: false };
  }
  match = yearLast.exec(trimmed);
  if (match) {
    const first = Number(match[1]);
    const second = Number(match[3]);
    const year = match[4]!.length === 2 ? 2000 + Number(match[4]) : Number(match[4]);
    const [day, month] = dayFirst || match[2] === '.' ? [first, second] : [second, first];
    const date = dateS(year, month, day);
    const time = clockS(match[5], match[6], match[7], match[8]);
    if (date === null || time === null) return null;
    return { wallS: date + time, absolute: false, dateOnly: match[5] === undefined };
  }
  match = compact.exec(trimmed);
  if (match) {
    const date = dateS(Number(match[1]), Number(match[2]), Number(match[3]));
    return date === null ? null : { wallS: date, absolute: false, dateOnly: true };
  }
  if (/^\d{10}$/.test(trimmed)) return { wallS: Number(trimmed), absolute: true, dateOnly: false };
  if (/^\d{13}$/.test(trimmed))
    return { wallS: Math.floor(Number(trimmed) / 1000), absolute: true, dateOnly: false };
  return null;
}

/** Reads a time of the day, s since midnight. */
export function readClockS(text: string): number | null {
  const match = clockOnly.exec(text.trim());
  return match ? clockS(match[1], match[2], match[3], match[4]) : null;
}

/** Whether dates with slashes say the day first; null where the samples leave it open. */
export function guessDayFirst(samples: readonly string[]): boolean | null {
  for (const sample of samples) {
    const match = yearLast.exec(sample.trim());
    if (!match || match[2] === '.') continue;
    if (Number(match[1]) > 12) return true;
    if (Number(match[3]) > 12) return false;
  }
  return null;
}
