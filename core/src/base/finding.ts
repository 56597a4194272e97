import type { Figure } from './figure.js';

/** How bad a finding is, worst first. */
export const severities = ['stops', 'must-fix', 'consider', 'fine'] as const;
export type Severity = (typeof severities)[number];

/** The outcome of a check. */
export interface Finding {
  readonly key: string;
  readonly severity: Severity;
  readonly title: string;
  /** Because of what. */
  readonly because: string;
  /** What would cure it. */
  readonly cure: string;
  readonly figures: readonly Figure[];
}
