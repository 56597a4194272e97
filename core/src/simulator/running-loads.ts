import type { TracedLoad } from '../study/details.js';

/** A load that runs, and the share of the minute it does, times what it really takes. */
export interface RunningLoad {
  readonly load: TracedLoad;
  readonly share: number;
}

/** Loads that run in a minute of the year, of those that are on. */
export function runningLoads(
  whole: readonly TracedLoad[],
  minuteOfYear: number,
  isOn: (loadId: string) => boolean,
): RunningLoad[] {
  const day = Math.floor(minuteOfYear / 1440);
  const of = minuteOfYear - day * 1440;
  return whole.flatMap((load): RunningLoad[] => {
    if (!isOn(load.load.id)) return [];
    const spans = load.cycles.onDay(day);
    let share = 0;
    for (let i = 0; i < spans.length; i += 2)
      share += Math.max(0, Math.min(spans[i + 1]!, of + 1) - Math.max(spans[i]!, of));
    return share > 0 ? [{ load, share }] : [];
  });
}

/** Power of running loads on each of so many legs, W; a load between legs as its apparent power is. */
export function legPowersW(
  running: readonly RunningLoad[],
  legs: number,
  timesOf: (loadId: string) => number,
): number[] {
  const legW = Array.from({ length: legs }, () => 0);
  for (const { load, share } of running) {
    const onAll = load.legVA.reduce((all, one) => all + one, 0);
    const powerW = load.powerW * share * timesOf(load.load.id);
    load.legVA.forEach((va, leg) => (legW[leg]! += onAll > 0 ? (powerW * va) / onAll : 0));
  }
  return legW;
}
