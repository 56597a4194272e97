import { serviceRatingA } from '@levamen/core/house';
import { countOf, type Stage } from '../../shell/stage';

export const briefStage: Stage = {
  path: 'brief',
  name: 'Brief',
  purpose: 'what the household wants',
  screen: () => import('./brief-stage').then((m) => m.BriefStage),
  completeness: (plan) => {
    const { brief, site } = plan;
    return countOf([
      brief.requiredRuntimeH !== null,
      brief.designSeason !== null,
      brief.sizeForYear !== null,
      brief.batteryTemperatureC !== null,
      brief.transferGapToleranceMs !== null,
      brief.handsOn !== null,
      site.latitudeDeg !== null,
      serviceRatingA(plan) !== null,
    ]);
  },
};
