import type { OutageSample } from '../../commissioning/details.js';

/** A staged outage as it was recorded, beside the job. */
export interface RecordedOutage {
  /** Of the recording. */
  readonly id: string;
  readonly name: string;
  /** Moment, ISO. */
  readonly beganAt: string;
  readonly samples: readonly OutageSample[];
}
