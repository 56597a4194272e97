import { amps } from '../house/report.js';
import type { Report, Case } from './case.js';

export function checkRating(needsA: number | null, ahead: string, { said }: Case, report: Report): void {
  const isA = said.isolatingRatingA;
  if (isA === null || needsA === null) {
    report(
      'rating',
      'consider',
      'Rating of the isolating device not settled',
      needsA === null ? `Nobody has entered ${ahead}.` : `It needs at least ${amps(needsA)}: ${ahead}.`,
      'Enter the rating of the isolating device or pass-through, and what is ahead of it.',
    );
  } else if (isA < needsA) {
    report(
      'rating',
      'must-fix',
      'The isolating device is rated below what is ahead of it',
      `Rated ${amps(isA)}; ${ahead}: ${amps(needsA)}.`,
      'Choose a device of at least that rating, or a smaller breaker ahead of it.',
    );
  } else {
    report(
      'rating',
      'fine',
      'The isolating device is rated for what is ahead of it',
      `${amps(isA)} against ${amps(needsA)}.`,
    );
  }
}
