import { type SimulatedFault, simulatedFaults } from '../../simulator/index.js';

/** What can be named in the end of a training run. */
export type Suspect = SimulatedFault | 'none';
/** How what is named is called. */
export const suspects: Readonly<Record<Suspect, string>> = {
  ...simulatedFaults,
  none: 'Nothing is wrong with it',
};
