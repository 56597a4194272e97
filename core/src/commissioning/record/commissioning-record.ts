import type { Commissioning, Photo } from '../../house/index.js';
import type { StandOfSteps } from '../judge/stand-of-steps.js';
import type { CommissioningRecord } from './commissioning-record.schema.js';
import { recordRows } from './record-rows.js';
import { visitsOf } from './visits-of.js';

/** The record of a job as it leaves the program. */
export const commissioningRecord = (
  job: string,
  stand: StandOfSteps,
  record: Commissioning,
  photos: readonly Photo[],
): CommissioningRecord => ({
  format: 'levamen-commissioning',
  version: 3,
  job,
  steps: recordRows(stand, record, photos),
  visits: visitsOf(record),
  instruments: record.instruments,
  punch: record.punch,
  signatures: record.signatures,
  outages: record.outages,
});
