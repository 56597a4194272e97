import type { Supply } from '../../electric/index.js';
import type { Load } from '../loads/load.schema.js';
import type { Survey } from './panel.schema.js';

/** A house as it was walked through: its supply, its panels, and what hangs on them. */
export interface SurveyedHouse {
  supply: Supply;
  survey: Survey;
  loads: Load[];
}
