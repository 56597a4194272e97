import { monthDays } from '../../nature/index.js';

/**
 * Minute of a common year at a moment, on the standard time of a place; the 29th of February counts as the 28th.
 *
 * @param instant moment, ISO
 * @param zoneH standard time ahead of universal time, h
 * @example minuteOfYear('2024-01-01T05:30:00Z', -5) // 30
 */
export function minuteOfYear(instant: string, zoneH: number): number {
  const local = new Date(Date.parse(instant) + zoneH * 3_600_000);
  const month = local.getUTCMonth();
  const before = monthDays.slice(0, month).reduce((sum, days) => sum + days, 0);
  const day = before + Math.min(monthDays[month]!, local.getUTCDate()) - 1;
  return (day * 24 + local.getUTCHours()) * 60 + local.getUTCMinutes();
}
