import { type IntervalMin, intervalsOfYear } from './year-grid.js';

/** Intervals in which a battery is to be full for storms: from noon of the day before one to its end. */
export function stormIntervals(stormy: ArrayLike<number>, intervalMin: IntervalMin): Uint8Array {
  const marked = new Uint8Array(intervalsOfYear(intervalMin));
  const perDay = 1440 / intervalMin;
  for (let day = 0; day < 365; day += 1) {
    if (stormy[day] === 0) continue;
    for (let back = perDay / 2; back > 0; back -= 1)
      marked[(day * perDay - back + marked.length) % marked.length] = 1;
    marked.fill(1, day * perDay, (day + 1) * perDay);
  }
  return marked;
}
