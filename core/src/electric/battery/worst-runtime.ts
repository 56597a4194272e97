/** How long an energy lasts. */
export interface Runtime {
  /** Infinity where nothing is drawn. */
  readonly runtimeH: number;
  /** Clock hour of the worst start, 0 to 24. */
  readonly startHour: number;
}

/** Less than this a day is nothing; dividing by it would leave the range of numbers. */
const negligibleWh = 1e-6;

const lastsH = (hourlyWh: ArrayLike<number>, energyWh: number, hourAt: (step: number) => number): number => {
  let left = energyWh;
  for (let step = 0; step < 24; step += 1) {
    const hour = hourlyWh[hourAt(step)]!;
    if (hour >= left && hour > 0) return step + left / hour;
    left -= hour;
  }
  return 24;
};

/**
 * The shortest time an energy lasts, whenever on a repeating day the outage starts. Inverse of {@link worstWindow}.
 *
 * @param hourlyWh 24 values drawn, Wh
 * @param energyWh what there is, Wh
 * @example worstRuntime(Array(24).fill(500), 6000).runtimeH // 12
 */
export function worstRuntime(hourlyWh: ArrayLike<number>, energyWh: number): Runtime {
  let dayWh = 0;
  for (let hour = 0; hour < 24; hour += 1) dayWh += hourlyWh[hour]!;
  if (dayWh < negligibleWh) return { runtimeH: Infinity, startHour: 0 };
  const days = Math.floor(energyWh / dayWh);
  const restWh = energyWh - days * dayWh;
  let best: Runtime = { runtimeH: Infinity, startHour: 0 };
  for (let hour = 0; hour < 24; hour += 1) {
    const forwardH = lastsH(hourlyWh, restWh, (step) => (hour + step) % 24);
    if (forwardH < best.runtimeH) best = { runtimeH: forwardH, startHour: hour };
    const backwardH = lastsH(hourlyWh, restWh, (step) => (hour + 47 - step) % 24);
    if (backwardH < best.runtimeH - 1e-12) {
      best = { runtimeH: backwardH, startHour: (hour + 48 - backwardH) % 24 };
    }
  }
  return { runtimeH: days * 24 + best.runtimeH, startHour: best.startHour };
}
