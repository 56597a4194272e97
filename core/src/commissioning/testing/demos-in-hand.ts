import { demoPlans } from '../../design/index.js';
import { inHand } from '../simulated/in-hand.js';
import type { DesignInHand } from '../steps/design-in-hand.js';

/** The demo houses, each with the units its demo has chosen. */
export const demosInHand = (): readonly DesignInHand[] => demoPlans.map(({ plan }) => inHand(plan));
