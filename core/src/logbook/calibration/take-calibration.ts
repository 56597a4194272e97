import type { Plan } from '../../design/index.js';
import { type Load, type HoursOfUse, dayPartFacts } from '../../house/index.js';
import { weatherUse } from '../../study/details.js';

const longest = Object.fromEntries(
  Object.values(dayPartFacts).map(({ field, hours }) => [field, hours.length]),
) as Readonly<Record<keyof HoursOfUse, number>>;
const rounded = (value: number): number => Number(value.toFixed(3));

/** A load that takes so many times the energy: it runs longer, and where it runs all the time already, it takes more of that time. */
export function withUseTimes(load: Load, times: number): Load {
  const seasons = Object.entries(load.use);
  const shares = seasons.flatMap(([, hours]) =>
    Object.entries(hours).map(([field, hoursOf]) => hoursOf / longest[field as keyof HoursOfUse]),
  );
  // As much as the hours have room for; the rest by the share of them in which it runs.
  const room = 1 / Math.max(1e-9, ...shares);
  const byHours = Math.min(times, Math.max(1, room));
  const use = Object.fromEntries(
    seasons.map(([season, hours]) => [
      season,
      Object.fromEntries(
        Object.entries(hours).map(([field, hoursOf]) => [
          field,
          rounded(Math.min(longest[field as keyof HoursOfUse], hoursOf * byHours)),
        ]),
      ),
    ]),
  ) as Load['use'];
  return { ...load, use, dutyCycle: rounded(Math.min(1, load.dutyCycle * (times / byHours))) };
}

/** The plan with loads brought in line with what outages showed: those that run in any weather, and those that heat and cool. */
export const takeCalibration = <P extends Pick<Plan, 'loads'>>(
  plan: P,
  ordinaryTimes: number,
  weatherTimes: number,
): P => ({
  ...plan,
  loads: plan.loads.map((load) =>
    withUseTimes(load, weatherUse(load.kind) === 'none' ? ordinaryTimes : weatherTimes),
  ),
});
