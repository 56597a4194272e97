import { countOf, type Stage } from '../../shell/stage';

export const sourcesStage: Stage = {
  path: 'sources',
  name: 'Sources',
  purpose: 'battery and inverter',
  screen: () => import('./sources-stage').then((m) => m.SourcesStage),
  completeness: ({ equipment }) => countOf([equipment.stacks.length > 0]),
};
