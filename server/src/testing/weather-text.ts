import { syntheticYear, typicalClimates, writeEpw } from '@levamen/core/nature';

/** A year of weather as an EPW file. */
export const weatherText = (): string => writeEpw(syntheticYear(typicalClimates[0]!, 1));
