import type { Source } from '../../base/index.js';
import type { Basis } from './load.schema.js';

/** Source of a figure that rests on a load's own values. */
export const basisSource = (basis: Basis): Source => ({ kind: basis });
