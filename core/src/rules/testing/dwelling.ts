import type { DwellingLoads } from '../nec/dwelling-loads.js';

/** The dwelling of the examples of NEC Informative Annex D, with what an example adds. */
export const dwelling = (loads: Partial<DwellingLoads>): DwellingLoads => ({
  floorAreaFt2: 1500,
  smallApplianceCircuits: 2,
  laundryCircuits: 1,
  fastenedVA: [],
  rangeVA: [],
  dryerVA: [],
  vehicleVA: [],
  coolingVA: 0,
  heatPumpVA: 0,
  backupHeatVA: 0,
  spaceHeatingVA: 0,
  spaceHeatingUnits: 0,
  motors: [],
  ...loads,
});
