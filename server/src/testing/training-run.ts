import type { NewTrainingRun } from '@levamen/core/api';

/** How somebody did who missed something. */
export const aTrainingRun: NewTrainingRun = {
  house: 'House',
  seed: 7,
  fault: 'late-transfer',
  named: 'none',
  isMadeSafe: false,
  overlooked: ['It shows at “Gap”, which was not done.'],
  liveNeedlessly: [],
  houseMin: 280,
  tookS: 1260,
  stepsDone: 31,
};
