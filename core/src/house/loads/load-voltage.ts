import { type SupplySystem, supplyVoltageV } from '../../electric/index.js';
import type { Load } from './load.schema.js';

/** Voltage in V that a load's currents are counted at: its nameplate voltage where given, else the supply's. */
export function loadVoltageV(system: SupplySystem, load: Pick<Load, 'legs' | 'voltageV'>): number {
  return load.voltageV ?? supplyVoltageV(system, load.legs);
}
