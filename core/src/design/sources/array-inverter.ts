import type { SolarArray } from './sources.schema.js';

/** Power of the inverter behind an array while nobody has said: a sixth less than its modules, W (common practice, no source). */
export const usualInverterW = ({ ratedW }: Pick<SolarArray, 'ratedW'>): number => ratedW / 1.2;

/** Power at which the inverter behind an array clips, W: as said, else as usual. */
export const arrayInverterW = (array: Pick<SolarArray, 'ratedW' | 'inverterW'>): number =>
  array.inverterW ?? usualInverterW(array);
