import type { SimulatedHouse } from '../../simulator/index.js';
import type { OutageSample } from '../staged/outage-sample.js';
import { sampleOfHouse } from './sample-of-house.js';

/** Lets time pass in a simulated house, and adds what its devices show, every so many seconds. */
export function recordHouse(
  house: SimulatedHouse,
  samples: OutageSample[],
  seconds: number,
  everyS: number,
): void {
  for (let passed = 0; passed < seconds; passed += everyS) {
    house.advance(everyS);
    samples.push(sampleOfHouse(house.now()));
  }
}
