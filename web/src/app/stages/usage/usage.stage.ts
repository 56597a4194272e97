import { countOf, type Stage } from '../../shell/stage';

export const usageStage: Stage = {
  path: 'usage',
  name: 'Usage',
  purpose: 'bills, meter data, outages, live',
  screen: () => import('./usage-stage').then((m) => m.UsageStage),
  completeness: ({ usage }) =>
    countOf([
      usage.bills.length > 0,
      usage.measurement !== null,
      usage.outages.length > 0 || usage.reliability !== null,
    ]),
};
