import type { Season } from '../season/season.js';
import { monthOf } from './weather-year.js';

const northern: readonly Season[] = [
  'winter', 'winter', 'shoulder', 'shoulder', 'shoulder', 'summer',
  'summer', 'summer', 'shoulder', 'shoulder', 'shoulder', 'winter',
]; // prettier-ignore

/** Season of a day of the year: December to February is winter north of the equator and summer south of it. */
export const seasonOfDay = (day: number, latitudeDeg: number): Season =>
  northern[(monthOf(((day % 365) + 365) % 365) + (latitudeDeg < 0 ? 6 : 0)) % 12]!;
