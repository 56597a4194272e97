import type { Plan } from '../../design/index.js';
import { mostShort } from './most-short.js';
import type { BriefTally } from './brief-tally.js';

/** Do the outages of all years, counted in parts, hold what the brief asks? */
export function holdsIn(plan: Plan, parts: readonly BriefTally[]): boolean {
  const sum = (of: keyof BriefTally): number => parts.reduce((total, part) => total + part[of], 0);
  const most = mostShort(plan, sum('count'));
  return sum('short') <= most.short && sum('overloaded') <= most.overloaded;
}
