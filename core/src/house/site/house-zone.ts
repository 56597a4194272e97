import type { Site } from './site.schema.js';

/** The zone whose time the clock of the house shows; UTC until somebody has said. */
export const houseZone = (site: Site): string => site.timeZone ?? 'UTC';
