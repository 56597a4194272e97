import { countOf, type Stage } from '../../shell/stage';

export const outageStage: Stage = {
  path: 'outage',
  name: 'Outage',
  purpose: 'played through: weather, sun, generator, chances',
  screen: () => import('./outage-stage').then((m) => m.OutageStage),
  completeness: ({ outage, sources }) =>
    countOf([
      outage.climateId !== null || outage.weatherId !== null,
      sources.arrays.length > 0 || sources.generator !== null,
      outage.startCharge !== null,
    ]),
};
