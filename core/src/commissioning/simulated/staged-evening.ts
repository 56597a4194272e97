import type { SimulatedHouse } from '../../simulator/index.js';
import type { OutageSample } from '../staged/outage-sample.js';
import { recordHouse } from './record-house.js';

/** Before the grid goes, s. */
const beforeS = 120;
/** Off the grid until well after dark, then charged again, h. */
const awayH = 9;
const chargedH = 3;
/** Around what is switched each second counts, else every so many, s. */
const closelyS = 90;
const seldomS = 10;

/** Records a staged outage of a simulated house that begins in the afternoon and ends after dark; loads stay as they are. */
export function stagedEvening(house: SimulatedHouse): OutageSample[] {
  const samples: OutageSample[] = [];
  const record = (seconds: number, everyS: number): void => recordHouse(house, samples, seconds, everyS);
  record(beforeS, 1);
  house.switchGrid(false);
  record(closelyS, 1);
  record(awayH * 3600 - closelyS, seldomS);
  house.switchGrid(true);
  record(closelyS, 1);
  record(chargedH * 3600 - closelyS, seldomS);
  return samples;
}
