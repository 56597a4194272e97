import { countOf, type Stage } from '../../shell/stage';

export const dailyStage: Stage = {
  path: 'daily',
  name: 'Daily use',
  purpose: 'a year with the grid, and the bill',
  screen: () => import('./daily-stage').then((m) => m.DailyStage),
  completeness: ({ tariffs, dailyUse }) =>
    countOf([tariffs.length > 0, dailyUse.strategy !== null, dailyUse.heldBack !== null]),
};
