import { isRecord, mapRecords, type Saved } from './saved.js';

/** Version 19 knows which device a reading came from, and has photos of steps. */
export function toSeenAtSteps(saved: Saved): Saved {
  const { commissioning } = saved;
  return {
    ...saved,
    version: 19,
    ...(isRecord(commissioning)
      ? {
          commissioning: {
            ...commissioning,
            entries: mapRecords(commissioning['entries'], (entry) => ({ ...entry, device: '' })),
          },
        }
      : {}),
  };
}
