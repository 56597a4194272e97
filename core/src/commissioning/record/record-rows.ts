import { aboutStep, type Commissioning, type Photo } from '../../house/index.js';
import type { StandOfSteps } from '../judge/stand-of-steps.js';
import { phases } from '../steps/step.js';
import type { RecordRow } from './commissioning-record.schema.js';

/** Every step of a stand as a row. */
export function recordRows(
  { steps }: StandOfSteps,
  { instruments }: Pick<Commissioning, 'instruments'>,
  photos: readonly Photo[],
): RecordRow[] {
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
      device: entry.device,
      photos: photos
        .filter(({ aboutId }) => aboutId === aboutStep(step.id))
        .map(({ digest }) => digest)
        .join(' '),
      note: entry.note,
      override: entry.override ? `${entry.override.reason} (${entry.override.by}, ${entry.override.at})` : '',
    };
  });
}
