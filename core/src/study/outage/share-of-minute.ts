import type { LoadCycles } from './load-cycles.js';

/** For how much of a minute a load runs, 0 to 1. */
export function shareOfMinute({ onDay }: LoadCycles, minuteOfYear: number): number {
  const day = Math.floor(minuteOfYear / 1440);
  const spans = onDay(day);
  const of = minuteOfYear - day * 1440;
  let share = 0;
  for (let i = 0; i < spans.length; i += 2)
    share += Math.max(0, Math.min(spans[i + 1]!, of + 1) - Math.max(spans[i]!, of));
  return share;
}
