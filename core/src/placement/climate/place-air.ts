import type { PlaceKind, Wall } from '../../house/index.js';
import { dayMeansC, hoursOfYear, type WeatherYear } from '../../nature/index.js';

/** Warmth of a house that is lived in: heated to this, and let warm up to that, °C (common practice, no source). */
const heatedC = 20;
const letWarmC = 26;

/** How a place follows the weather: its mean lies so far from the house towards the day outdoors, and so much of the swing of the day comes in (common practice, no source). */
const follows: Readonly<Record<PlaceKind, { readonly outdoors: number; readonly swing: number }>> = {
  outdoors: { outdoors: 1, swing: 1 },
  'outdoors-apart': { outdoors: 1, swing: 1 },
  'attached-garage': { outdoors: 0.5, swing: 0.25 },
  'detached-garage': { outdoors: 1, swing: 0.5 },
  accessory: { outdoors: 1, swing: 0.7 },
  'utility-closet': { outdoors: 0, swing: 0 },
  'utility-room': { outdoors: 0.15, swing: 0.05 },
  basement: { outdoors: 0.25, swing: 0 },
  hallway: { outdoors: 0, swing: 0 },
  stairs: { outdoors: 0, swing: 0 },
  living: { outdoors: 0, swing: 0 },
  bedroom: { outdoors: 0, swing: 0 },
  attic: { outdoors: 1, swing: 1.4 },
  'crawl-space': { outdoors: 0.6, swing: 0.15 },
};

/**
 * Temperature of the air in a place through a year, °C by the hour: half way between house and outdoors in an attached garage, the house's own in a room of it. Where a lowest or highest temperature was
 * read off inside, the year is stretched to reach it.
 */
export function placeAirC(
  { place, lowestC, highestC }: Pick<Wall, 'place' | 'lowestC' | 'highestC'>,
  { temperatureC }: Pick<WeatherYear, 'temperatureC'>,
): Float64Array {
  const { outdoors, swing } = follows[place];
  if (outdoors === 1 && swing === 1) return temperatureC;
  const air = new Float64Array(hoursOfYear);
  dayMeansC(temperatureC).forEach((meanC, day) => {
    const houseC = Math.min(letWarmC, Math.max(heatedC, meanC));
    const base = houseC + outdoors * (meanC - houseC);
    for (let hour = day * 24; hour < day * 24 + 24; hour += 1)
      air[hour] = base + swing * (temperatureC[hour]! - meanC);
  });
  if (lowestC === null && highestC === null) return air;
  const [least, most] = [Math.min(...air), Math.max(...air)];
  const [low, high] = [lowestC ?? Math.min(least, highestC!), highestC ?? Math.max(most, lowestC!)];
  const span = most - least;
  return air.map((c) => (span === 0 ? (low + high) / 2 : low + ((c - least) / span) * (high - low)));
}
