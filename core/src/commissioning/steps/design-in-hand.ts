import type { Island, Plan } from '../../design/index.js';
import type { Stack } from '../../equipment/index.js';
import type { WiredDesign } from '../../wiring/index.js';

/** A design that is to be put into service: worked out as the stages and the papers have it. */
export interface DesignInHand {
  readonly plan: Plan;
  readonly wired: WiredDesign;
  /** What feeds each island; null = nothing is chosen. */
  readonly islands: readonly { readonly island: Island; readonly stack: Stack | null }[];
}
