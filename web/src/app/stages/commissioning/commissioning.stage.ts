import type { Stage } from '../../shell/stage';

export const commissioningStage: Stage = {
  path: 'commissioning',
  name: 'Commissioning',
  purpose:
    'step by step into service: what was measured beside what the design predicts, what is left, both signatures',
  screen: () => import('./commissioning-stage').then((m) => m.CommissioningStage),
  completeness: ({ commissioning: { signatures } }) => ({ done: signatures.length, of: 2 }),
};
