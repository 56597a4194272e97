import { countOf, type Stage } from '../../shell/stage';

export const optionsStage: Stage = {
  path: 'options',
  name: 'Options',
  purpose: 'most hours for the money',
  screen: () => import('./options-stage').then((m) => m.OptionsStage),
  // Nothing is entered here.
  completeness: () => countOf([]),
};
