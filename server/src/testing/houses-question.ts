import type { HousesQuestion } from '@levamen/core/logbook';

/** Three days from an evening in winter, under skies that get worse. */
export const aHousesQuestion: HousesQuestion = {
  from: '2026-11-29T23:00:00Z',
  hours: 72,
  startCharge: 0.9,
  days: [
    { outdoorC: 4, sky: 'mixed' },
    { outdoorC: -3, sky: 'dull' },
    { outdoorC: -6, sky: 'dull' },
    { outdoorC: null, sky: null },
  ],
  states: ['installed', 'inspected', 'commissioned', 'operating'],
};
