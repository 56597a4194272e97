import type { SurveyedHouse } from '../../house/index.js';
import type { Equipment } from '../equipment/equipment.schema.js';
import type { Backup } from './backup.schema.js';

/** A house, how it is backed up, and by what. */
export interface BackedUpHouse extends SurveyedHouse {
  backup: Backup;
  equipment: Equipment;
}
