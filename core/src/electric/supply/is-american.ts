import { systemFacts } from './legs.js';
import type { SupplySystem } from './supply.schema.js';

/** Is it a supply of 120 V a leg, wired by the American code? */
export const isAmerican = (system: SupplySystem): boolean => systemFacts[system].legVoltageV === 120;
