import { syntheticYear, type WeatherYear } from '../../nature/index.js';
import { outageSettingsOf, type Plan } from '../../design/index.js';

/**
 * The year of weather an outage meets: one that was read from a file, else a synthetic one of the climate, at the place of
 * the job where that is known. Clock hours are the standard time of the place, from its longitude.
 *
 * @param read the year of `job.outage.weatherId`; null where there is none
 */
export function outageWeather(
  plan: Pick<Plan, 'outage' | 'site' | 'supply'>,
  read: WeatherYear | null,
  seed = plan.outage.seed,
): WeatherYear {
  if (read !== null) return read;
  const climate = outageSettingsOf(plan).climate.value;
  const { latitudeDeg, longitudeDeg } = plan.site;
  if (latitudeDeg === null) return syntheticYear(climate, seed);
  return syntheticYear(
    {
      ...climate,
      latitudeDeg,
      longitudeDeg: longitudeDeg ?? climate.longitudeDeg,
      zoneH: longitudeDeg === null ? climate.zoneH : Math.round(longitudeDeg / 15),
    },
    seed,
  );
}
