import { isRecord, mapRecords, type Saved } from './saved.js';

/** Version 16 knows how a busbar is fed and goes on, who supervises a design, and where a rule of the job holds. */
export const toBusbarsAndPlaces = (saved: Saved): Saved => ({
  ...saved,
  version: 16,
  survey: isRecord(saved['survey'])
    ? {
        ...saved['survey'],
        panels: mapRecords(saved['survey']['panels'], (panel) => ({
          ...panel,
          centreFed: null,
          feedThrough: null,
        })),
      }
    : saved['survey'],
  code: isRecord(saved['code'])
    ? {
        ...saved['code'],
        rules: mapRecords(saved['code']['rules'], (rule) => ({ ...rule, region: '', utility: '' })),
      }
    : saved['code'],
  designs: mapRecords(saved['designs'], (design) => ({
    ...design,
    wiring: isRecord(design['wiring'])
      ? {
          ...design['wiring'],
          islands: mapRecords(design['wiring']['islands'], (island) => ({ ...island, engineer: '' })),
        }
      : design['wiring'],
  })),
});
