import type { SimulatedHouse } from '../../simulator/index.js';
import type { SystemNow } from '../staged/outage-sample.js';
import { sampleOfHouse } from './sample-of-house.js';

/** A minute's questions, one a second. */
const questions = 60;

/**
 * What somebody who asks the devices of a simulated house learns of them.
 *
 * @param times its batteries are asked so often, once a second
 */
export function systemOfHouse(house: SimulatedHouse, times = 1): SystemNow {
  const seen = new Map<number, Set<number>>();
  for (let time = 0; time < times; time += 1) {
    if (time > 0) house.advance(1);
    for (const { address, battery } of house.answeringBatteries())
      seen.set(address, (seen.get(address) ?? new Set()).add(battery));
  }
  const now = house.now();
  const lost = Array.from({ length: questions }, (_, place) => house.loses(place + 1)).filter(Boolean).length;
  return {
    ...sampleOfHouse(now),
    gridLegV: now.gridV,
    betweenV: now.betweenV,
    gridLegW: now.legGridW,
    batteries: [...seen.values()].map((all) => ({ serial: `BAT-${[...all].join('/')}`, charge: now.charge })),
    doubled: [...seen].flatMap(([address, all]) => (all.size > 1 ? [`unit ${10 + address}`] : [])),
    clockOffS: house.clockOffS,
    answered: 1 - lost / questions,
  };
}
