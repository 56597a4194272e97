import type { Cause } from './outage-state.js';

/** Why a house goes dark, in words. */
export const causeWords: Readonly<Record<Cause, string>> = {
  none: 'gets through',
  empty: 'battery empty',
  overload: 'overload of the whole',
  'overload-l1': 'overload on L1',
  'overload-l2': 'overload on L2',
  'overload-l3': 'overload on L3',
  'overload-battery': 'overload of the battery',
  cold: 'battery too cold or too hot',
  starting: 'a motor start',
  fuel: 'out of fuel',
};
