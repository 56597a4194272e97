import type { OutageSample } from './outage-sample.js';

/** What feeds the house. */
export type Supply = 'grid' | 'island' | 'dark';

/** Below this there is no voltage, V. */
export const noVoltageV = 20;

/** What feeds the house in a second; null = the devices do not say. */
export const supplyOf = ({ isOnGrid, legV }: OutageSample): Supply | null =>
  isOnGrid === null ? null : isOnGrid ? 'grid' : legV.some((v) => (v ?? 0) > noVoltageV) ? 'island' : 'dark';
