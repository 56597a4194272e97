import type { Season } from '../weather/season.js';
import { monthOf } from '../weather/weather-year.js';

const northern: readonly Season[] = [
  'winter', 'winter', 'shoulder', 'shoulder', 'shoulder', 'summer',
  'summer', 'summer', 'shoulder', 'shoulder', 'shoulder', 'winter',
]; // prettier-ignore

/** Season of a day of the year: December to February is winter north of the equator and summer south of it. */
export const seasonOfDay = (day: number, latitudeDeg: number): Season =>
  northern[(monthOf(((day % 365) + 365) % 365) + (latitudeDeg < 0 ? 6 : 0)) % 12]!;
