import type { Plan } from '../../design/index.js';
import { type Load, type HoursOfUse, dayPartFacts } from '../../house/index.js';
import { weatherUse } from '../../study/details.js';

const longest = Object.fromEntries(
  Object.values(dayPartFacts).map(({ field, hours }) => [field, hours.length]),
) as Readonly<Record<keyof HoursOfUse, number>>;
/** A load takes no more, W: see its schema. */
const mostW = 50_000;
const rounded = (value: number): number => Number(value.toFixed(3));

/**
 * A load that takes so many times the energy: it runs longer, as far as its hours have room; then for a larger share of them; what is still
 * missing it takes while it runs, since nothing runs longer than all the time.
 */
export function withUseTimes(load: Load, times: number): Load {
  const seasons = Object.entries(load.use);
  const shares = seasons.flatMap(([, hours]) =>
    Object.entries(hours).map(([field, hoursOf]) => hoursOf / longest[field as keyof HoursOfUse]),
  );
  const room = 1 / Math.max(1e-9, ...shares);
  const byHours = Math.min(times, Math.max(1, room));
  const byShare = Math.min(times / byHours, Math.max(1, 1 / Math.max(1e-9, load.dutyCycle)));
  const byPower = times / byHours / byShare;
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
  return {
    ...load,
    use,
    dutyCycle: rounded(Math.min(1, load.dutyCycle * byShare)),
    runningPowerW:
      byPower === 1 ? load.runningPowerW : rounded(Math.min(mostW, load.runningPowerW * byPower)),
  };
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
