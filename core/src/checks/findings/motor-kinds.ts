import type { Load } from '../../house/index.js';

const motorKinds = new Set(['pump', 'refrigeration', 'cooling', 'heat-pump', 'workshop']);

/** Is it of a kind that usually has a motor worth a start? */
export const mayHaveMotor = ({ kind, runningPowerW }: Pick<Load, 'kind' | 'runningPowerW'>): boolean =>
  motorKinds.has(kind) && runningPowerW >= 100;
