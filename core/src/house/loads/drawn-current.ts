import { currentA, type SupplySystem } from '../../electric/index.js';
import type { Load } from './load.schema.js';
import { loadVoltageV } from './load-voltage.js';
import { runningPowerVA } from './running-power.js';

/** Current in each conductor of all pieces of a load while they run, A: I = S ÷ V, over √3 on three phases. */
export const drawnA = (system: SupplySystem, load: Load): number =>
  currentA(loadVoltageV(system, load), load.quantity * runningPowerVA(load), load.legs);
