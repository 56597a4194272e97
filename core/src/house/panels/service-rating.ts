import type { SurveyedHouse } from './surveyed-house.js';

/** Rating of the services together, A: as surveyed; until there are any, as the brief says; null = not known. */
export function serviceRatingA({ survey, supply }: SurveyedHouse): number | null {
  const known = survey.services.flatMap(({ ratingA }) => (ratingA === null ? [] : [ratingA]));
  return known.length > 0 ? known.reduce((sum, ratingA) => sum + ratingA, 0) : supply.serviceRatingA;
}
