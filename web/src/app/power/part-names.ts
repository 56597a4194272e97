import { isLeg, type PowerPart } from '@levamen/core/study/details';

/** Parts of the output that have a limit of their own, as they are called where one is chosen. */
export const partNames: Readonly<Record<PowerPart, string>> = {
  whole: 'All',
  L1: 'L1',
  L2: 'L2',
  L3: 'L3',
  battery: 'Battery',
};

/** The same in a sentence about what is asked of it. */
export const onPart = (part: PowerPart): string =>
  isLeg(part) ? `on ${part}` : part === 'battery' ? 'for the battery' : 'on the whole';
