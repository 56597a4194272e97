import type { LoadCycles } from './load-cycles.js';
import { minutesOfDay } from './minutes.js';

/** Place of the first span of a day that ends after a minute of it; spans are in order. */
function firstAfter(spans: Float64Array, minute: number): number {
  let low = 0;
  let high = spans.length / 2;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (spans[2 * middle + 1]! > minute) high = middle;
    else low = middle + 1;
  }
  return 2 * low;
}

/** Calls back for every stretch in which a load runs, cut to a window, in minutes from the window's beginning. */
export function eachSpan(
  cycles: LoadCycles,
  fromMinute: number,
  minutes: number,
  span: (from: number, to: number, starts: boolean) => void,
): void {
  const firstDay = Math.floor(fromMinute / minutesOfDay);
  const lastDay = Math.floor((fromMinute + minutes - 1) / minutesOfDay);
  for (let day = firstDay; day <= lastDay; day += 1) {
    const spans = cycles.onDay(day);
    const shift = day * minutesOfDay - fromMinute;
    for (let i = firstAfter(spans, -shift); i < spans.length; i += 2) {
      const from = spans[i]! + shift;
      if (from >= minutes) return;
      // What was on until midnight did not start at midnight.
      const runsOn = spans[i]! < 1e-9 && (cycles.onDay(day - 1).at(-1) ?? 0) > minutesOfDay - 1e-9;
      span(Math.max(0, from), Math.min(minutes, spans[i + 1]! + shift), from >= 0 && !runsOn);
    }
  }
}
