import { aged } from '../../design/index.js';
import type { Catalogue } from '../../equipment/index.js';
import type { LoggedOutage } from '../../house/index.js';
import type { OutageStudy } from '../../study/details.js';
import { yearsBetween } from '../ageing/age-at.js';
import { loadEvidence, type LoadEvidence } from '../calibration/load-evidence.js';
import { type KnownOutage, knownOutage } from '../outages/known-outage.js';
import { reckonedYears } from '../replay/reckoned-years.js';
import { replayOutage, type OutageReplay } from '../replay/replay-outage.js';
import type { LogbookQuestion } from './logbook-question.js';
import { measuredAt } from './measured-at.js';
import type { ToldBattery } from './told-battery.js';

/** What one outage tells. */
export interface ToldOutage {
  readonly known: KnownOutage;
  /** null = nothing is backed up. */
  readonly replay: OutageReplay | null;
  readonly loads: LoadEvidence | null;
}

/** An outage that happened, replayed and held against what was reckoned. */
export function toldOutage(
  question: LogbookQuestion,
  battery: ToldBattery,
  outage: LoggedOutage,
  catalogue: Catalogue,
): ToldOutage {
  const recording = question.recordings.find(({ id }) => id === outage.recordingId);
  const weather = question.years.find(({ id }) => id === outage.weatherId)?.year ?? null;
  const known = knownOutage(outage, recording?.samples ?? [], weather);
  const years = battery.since === null ? 0 : yearsBetween(battery.since, outage.from);
  const study: OutageStudy = { ...question, plan: aged(question.plan, years) };
  const measured = measuredAt(battery, years, outage.from, outage.recordingId);
  const reckoned = reckonedYears(study, known, catalogue);
  return {
    known,
    replay: replayOutage({ study, known, measured }, catalogue, reckoned),
    loads: loadEvidence(study, known, catalogue, reckoned),
  };
}
