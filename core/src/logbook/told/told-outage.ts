import { stateOfHealth } from '../../electric/index.js';
import { measuredStack } from '../../commissioning/details.js';
import type { Plan } from '../../design/index.js';
import type { Catalogue, MeasuredStack } from '../../equipment/index.js';
import type { LoggedOutage } from '../../house/index.js';
import type { OutageStudy } from '../../study/details.js';
import { yearsBetween } from '../ageing/age-at.js';
import type { BatteryEvidence } from '../ageing/battery-evidence.js';
import { loadEvidence, type LoadEvidence } from '../calibration/load-evidence.js';
import { type KnownOutage, knownOutage } from '../outages/known-outage.js';
import { replayOutage, type OutageReplay } from '../replay/replay-outage.js';
import type { LogbookQuestion } from './logbook-question.js';
import type { ToldBattery } from './told-battery.js';

/** What one outage tells. */
export interface ToldOutage {
  readonly known: KnownOutage;
  /** null = nothing is backed up. */
  readonly replay: OutageReplay | null;
  readonly loads: LoadEvidence | null;
}

/** What an outage measured of the battery counts for itself where it is known so well: one deviation, share. */
const ownError = 0.05;

/** An outage that happened, replayed and held against what was reckoned. */
export function toldOutage(
  question: LogbookQuestion,
  battery: ToldBattery,
  outage: LoggedOutage,
  catalogue: Catalogue,
): ToldOutage {
  const recording = question.recordings.find(({ id }) => id === outage.recordingId);
  const known = knownOutage(outage, recording?.samples ?? []);
  const years = battery.since === null ? 0 : yearsBetween(battery.since, outage.from);
  const study: OutageStudy = { ...question, plan: aged(question.plan, years) };
  const measured = measuredThen(battery, outage.recordingId, years, outage.from);
  return {
    known,
    replay: replayOutage({ study, known, measured }, catalogue),
    loads: loadEvidence(study, known, catalogue),
  };
}

const aged = (plan: Plan, years: number): Plan => ({
  ...plan,
  brief: { ...plan.brief, sizeForYear: years },
});

/** What the battery was measured to be at an age: by the outage itself where that is sharp, else by the sharpest one, moved along the forecast. */
function measuredThen(
  { designed, evidence, forecast, sheetFadePerYear }: ToldBattery,
  recordingId: string | null,
  years: number,
  at: string,
): MeasuredStack | null {
  const errorOf = ({ point }: BatteryEvidence): number => point.errorWh / point.usableWh;
  const own = evidence.find(({ point }) => point.id === recordingId);
  const best =
    own && errorOf(own) <= ownError ? own : evidence.toSorted((a, b) => errorOf(a) - errorOf(b))[0];
  if (!best) return null;
  const shareAt = (age: number): number => forecast.asNew - forecast.fadePerYear * age;
  const moved = shareAt(years) / shareAt(best.point.years);
  const { measured } = best;
  // A design makes it older by its data sheet: what is measured stands over that.
  const sheetWh = designed.usableWh * stateOfHealth(sheetFadePerYear, years);
  return measuredStack(
    {
      ...measured,
      usableWh: { ...measured.usableWh, value: measured.usableWh.value * (best === own ? 1 : moved) },
    },
    { ...designed, usableWh: sheetWh },
    best.point.id,
    at,
  );
}
