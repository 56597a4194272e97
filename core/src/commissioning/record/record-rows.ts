import { quantityText } from '../../base/index.js';
import type { Commissioning } from '../../house/index.js';
import type { StandOfSteps, StandingStep } from '../judge/stand-of-steps.js';
import { type Measure, phases } from '../steps/step.js';

/** A step as it stands in a record that leaves the program: plain values, units in the names. */
export interface RecordRow {
  readonly step: string;
  readonly phase: string;
  readonly title: string;
  readonly predicted: number | null;
  readonly least: number | null;
  readonly most: number | null;
  readonly reading: number | null;
  readonly unit: string;
  readonly isSo: boolean | null;
  readonly verdict: StandingStep['verdict'];
  readonly likely: string;
  readonly by: string;
  readonly at: string;
  readonly instrument: string;
  readonly calibratedOn: string;
  readonly note: string;
  readonly override: string;
}

/** Every step of a stand as a row. */
export function recordRows({ steps }: StandOfSteps, { instruments }: Commissioning): RecordRow[] {
  const byId = new Map(instruments.map((one) => [one.id, one]));
  return steps.map(({ step, entry, verdict, causes }) => {
    const instrument = byId.get(entry.instrumentId);
    const measure = step.asks.kind === 'measure' ? step.asks : null;
    return {
      step: step.id,
      phase: phases[step.phase],
      title: step.title,
      predicted: measure?.predicted?.value ?? null,
      least: measure?.least ?? null,
      most: measure?.most ?? null,
      reading: entry.reading,
      unit: measure?.unit ?? '',
      isSo: entry.isSo,
      verdict,
      likely: causes.join('; '),
      by: entry.by,
      at: entry.at ?? '',
      instrument: instrument?.name ?? '',
      calibratedOn: instrument?.calibratedOn ?? '',
      note: entry.note,
      override: entry.override ? `${entry.override.reason} (${entry.override.by}, ${entry.override.at})` : '',
    };
  });
}

/** What a measurement may be, in words: "114 V to 126 V", "at least 1 MΩ". */
export function boundsText({ unit, least, most }: Measure): string {
  if (least !== null && most !== null)
    return least === most
      ? quantityText(least, unit)
      : `${quantityText(least, unit)} to ${quantityText(most, unit)}`;
  if (least !== null) return `at least ${quantityText(least, unit)}`;
  return most === null ? '' : `at most ${quantityText(most, unit)}`;
}
