import type { SurveyedHouse } from '../panels/surveyed-house.js';
import type { Lot } from '../lot/lot.schema.js';
import type { Usage } from '../usage/usage.schema.js';
import type { Parties } from './parties.schema.js';
import type { Site } from './site.schema.js';

/** What is there, whatever is designed over it. */
export interface House extends SurveyedHouse {
  site: Site;
  parties: Parties;
  lot: Lot;
  usage: Usage;
}
