import { countOf, type Stage } from '../../shell/stage';

export const logbookStage: Stage = {
  path: 'logbook',
  name: 'Logbook',
  purpose:
    'as built, visits and dates, outages that happened beside what was predicted, capacity over the years',
  screen: () => import('./logbook-stage').then((m) => m.LogbookStage),
  completeness: ({ logbook: { units, dates, visits } }) =>
    countOf([
      units.length > 0 && units.every(({ serial }) => serial !== ''),
      dates.length > 0,
      visits.length > 0,
    ]),
};
