import type { SurveyedHouse } from './surveyed-house.js';

/**
 * The house with its rating in one place: what was said before any service was surveyed is the rating of the first service, unless
 * one of them has its own.
 */
export function settleRating<H extends Pick<SurveyedHouse, 'survey' | 'supply'>>(house: H): H {
  const { supply, survey } = house;
  if (supply.serviceRatingA === null || survey.services.length === 0) return house;
  const isKnown = survey.services.some(({ ratingA }) => ratingA !== null);
  const services = survey.services.map((service, index) =>
    index === 0 && !isKnown ? { ...service, ratingA: supply.serviceRatingA } : service,
  );
  return {
    ...house,
    supply: { ...supply, serviceRatingA: null },
    survey: isKnown ? survey : { ...survey, services },
  };
}
