import { buildingLoads } from './building-loads.js';
import { householdLoads } from './household-loads.js';
import { kitchenLoads } from './kitchen-loads.js';
import type { SupplySystem } from '../../../electric/index.js';
import type { TypicalLoad } from './typical-load.js';

/** Typical household loads, to start a list from. Values are typical, not measured: common practice, no source. */
export const loadLibrary: readonly TypicalLoad[] = [...kitchenLoads, ...householdLoads, ...buildingLoads];

/** The entries of the library that are made for a supply. */
export const libraryFor = (system: SupplySystem): readonly TypicalLoad[] =>
  loadLibrary.filter(({ onlyOn }) => onlyOn === null || onlyOn.includes(system));
