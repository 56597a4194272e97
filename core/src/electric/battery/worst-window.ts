/** A stretch of the repeating day. */
export interface Window {
  readonly energyWh: number;
  /** Clock hour at which it starts, 0 to 24. */
  readonly startHour: number;
}

const dayTotal = (hourlyWh: ArrayLike<number>): number => {
  let sum = 0;
  for (let hour = 0; hour < 24; hour += 1) sum += hourlyWh[hour]!;
  return sum;
};

/**
 * The largest energy drawn in any stretch of a given length of a day that repeats.
 *
 * The hourly profile is constant within each hour, so the largest stretch starts or ends on a full hour, and looking at
 * those is exact.
 *
 * @param hourlyWh 24 values, Wh
 * @param durationH length of the stretch, h
 */
export function worstWindow(hourlyWh: ArrayLike<number>, durationH: number): Window {
  const days = Math.floor(durationH / 24);
  const restH = durationH - days * 24;
  const whole = Math.floor(restH);
  const part = restH - whole;
  let best: Window = { energyWh: -1, startHour: 0 };
  for (let start = 0; start < 24; start += 1) {
    let sum = 0;
    for (let i = 0; i < whole; i += 1) sum += hourlyWh[(start + i) % 24]!;
    const endsLate = sum + part * hourlyWh[(start + whole) % 24]!;
    const startsEarly = sum + part * hourlyWh[(start + 23) % 24]!;
    if (endsLate > best.energyWh) best = { energyWh: endsLate, startHour: start };
    if (startsEarly > best.energyWh) best = { energyWh: startsEarly, startHour: (start + 24 - part) % 24 };
  }
  return { energyWh: best.energyWh + days * dayTotal(hourlyWh), startHour: best.startHour };
}
