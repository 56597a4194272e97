import type { HouseNow } from '../../simulator/index.js';
import type { OutageSample } from '../staged/outage-sample.js';

/** What devices show of a simulated house. */
export const sampleOfHouse = (now: HouseNow): OutageSample => ({
  second: now.second,
  gridV: now.gridV[0] ?? null,
  legV: now.legV,
  frequencyHz: now.frequencyHz,
  isOnGrid: now.state === 'grid',
  batteryW: now.batteryW,
  solarW: now.solarW,
  gridW: now.gridW,
  charge: now.charge,
  gapMs: now.gapMs,
});
