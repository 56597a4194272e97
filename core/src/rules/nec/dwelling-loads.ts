/** A motor of an appliance, and with what it is counted. */
export interface DwellingMotor {
  readonly powerVA: number;
  readonly of: 'fastened' | 'cooling' | 'heat-pump';
}

/** What the dwelling calculations of NEC Article 220 start from. Powers are nameplate volt-amperes. */
export interface DwellingLoads {
  readonly floorAreaFt2: number;
  /** At least two (220.11(C)). */
  readonly smallApplianceCircuits: number;
  readonly laundryCircuits: number;
  /** Fastened in place: dishwasher, water heater, pumps and the like. */
  readonly fastenedVA: readonly number[];
  /** Household cooking appliances above 1.75 kW. */
  readonly rangeVA: readonly number[];
  readonly dryerVA: readonly number[];
  /** Supply equipment of electric vehicles. */
  readonly vehicleVA: readonly number[];
  readonly coolingVA: number;
  readonly heatPumpVA: number;
  readonly backupHeatVA: number;
  readonly spaceHeatingVA: number;
  /** How many separately controlled units the resistance heating has. */
  readonly spaceHeatingUnits: number;
  readonly motors: readonly DwellingMotor[];
}

/** General lighting and receptacles (220.41), small-appliance (220.52(A)) and laundry (220.52(B)) circuits, VA. */
export function generalLoadVA(loads: DwellingLoads): number {
  return 3 * loads.floorAreaFt2 + 1500 * (loads.smallApplianceCircuits + loads.laundryCircuits);
}

/** Sum of volt-amperes. */
export const sumVA = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0);

/** Supply equipment of electric vehicles counts with its nameplate, at least with 7,200 VA each (220.57). */
export const vehiclesVA = (loads: DwellingLoads): number =>
  sumVA(loads.vehicleVA.map((powerVA) => Math.max(powerVA, 7200)));

/** Everything that the optional calculations of 220.82 and 220.83 count as general loads, VA. */
export const allGeneralVA = (loads: DwellingLoads): number =>
  generalLoadVA(loads) +
  sumVA(loads.fastenedVA) +
  sumVA(loads.rangeVA) +
  sumVA(loads.dryerVA) +
  vehiclesVA(loads);

/** All heating at its nameplate, VA. */
export const heatingVA = (loads: DwellingLoads): number =>
  loads.heatPumpVA + loads.backupHeatVA + loads.spaceHeatingVA;

/** What the optional calculations make of general loads, VA: the first of them in full, the rest at 40 %. */
export const optionalDemandVA = (generalVA: number, inFullVA: number): number =>
  Math.min(generalVA, inFullVA) + 0.4 * Math.max(0, generalVA - inFullVA);
