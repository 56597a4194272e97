import type { Plan } from '../../design/index.js';

/** Something assumed, unknown or doubtful. */
export interface FoundPoint {
  /** The same for the same point, whatever else changes. */
  readonly key: string;
  readonly text: string;
  /** How it is found out. */
  readonly find: string;
  /** What else may well be true: the plan as it then would be. Empty where no margin can tell. */
  readonly others: readonly Plan[];
}
