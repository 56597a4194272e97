import type { Plan } from '../../design/index.js';

/** What of a plan a placement is judged by. */
export type PlacementPlan = Pick<Plan, 'lot' | 'placement' | 'site' | 'supply' | 'parties' | 'code'>;
