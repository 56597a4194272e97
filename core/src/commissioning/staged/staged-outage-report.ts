import type { OutageAspect } from '../steps/step.js';
import type { OutageExpectation } from './expectation.js';
import type { Found } from './found.js';
import { type HoursCompared, hoursCompared } from './hours-at.js';
import { type DesignedBattery, measuredBattery, type MeasuredBattery } from './measured-battery.js';
import { outageFindings } from './outage-findings.js';
import type { OutageSample } from './outage-sample.js';
import { type RecordedEvent, recogniseEvents } from './recognise-events.js';

/** Everything a recorded outage tells. */
export interface StagedOutageReport {
  readonly events: readonly RecordedEvent[];
  readonly findings: ReadonlyMap<OutageAspect, Found>;
  readonly measured: MeasuredBattery | null;
  readonly hours: HoursCompared | null;
}

/** What happened in a recorded outage, what that says of the steps, and what the battery was measured to be. */
export function stagedOutageReport(
  samples: readonly OutageSample[],
  expects: OutageExpectation,
  designed: DesignedBattery,
): StagedOutageReport {
  const events = recogniseEvents(samples, expects.nominalHz);
  const measured = measuredBattery(samples, designed);
  return {
    events,
    findings: outageFindings(samples, events, expects),
    measured,
    hours: measured && hoursCompared(measured, designed),
  };
}
