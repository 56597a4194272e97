export { columnOf } from './conductors/column-of.js';
export { largestBreakerA } from './conductors/largest-breaker.js';
export { continuousClause } from './nec/continuous-loads.js';
export { dwellingLoadsOf } from './nec/dwelling-loads-of.js';
export { type DwellingLoads, heatingVA } from './nec/dwelling-loads.js';
export { optionalDwelling } from './nec/nec-220-82.js';
export { existingDwelling } from './nec/nec-220-83.js';
export { existingLoadW } from './nec/nec-220-87.js';
export { standardDwelling } from './nec/nec-220-standard.js';
