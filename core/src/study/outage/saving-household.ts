import type { Tier } from '../../house/index.js';
import type { Scenario } from '../../design/index.js';

/**
 * Share of the hours of use a household keeps in an outage, by tier. One that saves leaves comfort off, halves what it can do
 * with less of, and keeps what it must have (common practice, no source).
 */
export const useKept: Readonly<Record<Scenario['household'], Readonly<Record<Tier, number>>>> = {
  usual: { must: 1, should: 1, may: 1, never: 1 },
  saving: { must: 1, should: 0.5, may: 0.15, never: 0 },
};
