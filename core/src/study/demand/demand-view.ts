import type { Figure } from '../../base/index.js';

/** One way to arrive at a power. */
export interface DemandView {
  readonly key:
    'rule-of-thumb' | 'standard' | 'optional' | 'existing' | 'measured' | 'all-at-once' | 'coincident';
  readonly label: string;
  /** null = this way does not apply here; `sizes` says why. */
  readonly figure: Figure | null;
  /** Upper end, where the way gives a range. */
  readonly upTo: Figure | null;
  /** What this figure is good for. */
  readonly sizes: string;
}
