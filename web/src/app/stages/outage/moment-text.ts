import { monthDays, monthOf } from '@levamen/core/nature';
import { monthNames } from '../../ui/month-names';

const two = (value: number): string => String(value).padStart(2, '0');

/** "12 Jan" */
export function dayText(day: number): string {
  const inYear = ((day % 365) + 365) % 365;
  const month = monthOf(inYear);
  const before = monthDays.slice(0, month).reduce((sum, days) => sum + days, 0);
  return `${inYear - before + 1} ${monthNames[month]}`;
}

/** "18:05" */
export const clockText = (minute: number): string => {
  const ofDay = ((Math.floor(minute) % 1440) + 1440) % 1440;
  return `${two(Math.floor(ofDay / 60))}:${two(ofDay % 60)}`;
};

/** "12 Jan 18:05"; minutes are counted from the beginning of the year and may run over its end. */
export const momentText = (minute: number): string =>
  `${dayText(Math.floor(minute / 1440))} ${clockText(minute)}`;

/** "2 d 5 h", "7 h 20 min", "12 min" */
export function lengthText(minutes: number): string {
  const whole = Math.round(minutes);
  const days = Math.floor(whole / 1440);
  const hours = Math.floor((whole % 1440) / 60);
  if (days > 0) return hours === 0 ? `${days} d` : `${days} d ${hours} h`;
  if (hours > 0) return whole % 60 === 0 ? `${hours} h` : `${hours} h ${whole % 60} min`;
  return `${whole} min`;
}

/** Day of the year of a date typed as 2026-01-12; the year does not matter, and the 29th of February counts as the 28th. */
export function dayOfDate(date: string): number | null {
  const parts = /^\d{4}-(\d{2})-(\d{2})$/.exec(date);
  if (!parts) return null;
  const month = Number(parts[1]) - 1;
  const of = Math.min(Number(parts[2]), monthDays[month] ?? 31);
  return monthDays.slice(0, month).reduce((sum, days) => sum + days, 0) + of - 1;
}

/** The same the other way round, in a common year. */
export function dateOfDay(day: number): string {
  const inYear = ((day % 365) + 365) % 365;
  const month = monthOf(inYear);
  const before = monthDays.slice(0, month).reduce((sum, days) => sum + days, 0);
  return `2026-${two(month + 1)}-${two(inYear - before + 1)}`;
}
