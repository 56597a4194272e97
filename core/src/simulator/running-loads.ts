import { shareOfMinute, type TracedLoad } from '../study/details.js';

/** A load that runs, and for how much of the minute. */
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
  return whole.flatMap((load): RunningLoad[] => {
    const share = isOn(load.load.id) ? shareOfMinute(load.cycles, minuteOfYear) : 0;
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
