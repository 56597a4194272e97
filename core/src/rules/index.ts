export { dwellingLoadsOf } from './nec/dwelling-loads-of.js';
export { optionalDwelling } from './nec/nec-220-82.js';
export { existingLoadW } from './nec/nec-220-87.js';
export { standardDwelling } from './nec/nec-220-standard.js';
