import { isAmerican, type SupplySystem } from '../electric/index.js';

/** Languages of the trade. */
export type PlaceLocale = 'en-US' | 'en-GB';

/** Which one is spoken where a supply is in use. */
export const placeLocale = (system: SupplySystem): PlaceLocale => (isAmerican(system) ? 'en-US' : 'en-GB');
