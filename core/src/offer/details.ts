export { type DailyWorth, dailyWorth, exchanged, type Savings } from './daily/daily-worth.js';
export { type DesignVariant, designVariants } from './front/design-variants.js';
export {
  type Candidate,
  frontByBounds,
  type FrontPoint,
  type FrontSoFar,
  type Objectives,
} from './front/front-by-bounds.js';
export { type PricedMaterial, pricedMaterial, type PricedMaterialLine } from './total/priced-material.js';
export {
  type RuledOut,
  type StackCandidate,
  type StackCandidates,
  stackCandidates,
} from './front/stack-candidates.js';
