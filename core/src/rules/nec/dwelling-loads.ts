/** What the dwelling calculations of NEC Article 220 start from. Powers are nameplate volt-amperes. */
export interface DwellingLoads {
  readonly floorAreaFt2: number;
  /** At least two (220.11(C)). */
  readonly smallApplianceCircuits: number;
  readonly laundryCircuits: number;
  /** Fastened in place: dishwasher, water heater, pumps and the like. */
  readonly fastenedVA: readonly number[];
  readonly rangeVA: readonly number[];
  readonly dryerVA: readonly number[];
  readonly coolingVA: number;
  readonly heatPumpVA: number;
  readonly backupHeatVA: number;
  readonly spaceHeatingVA: number;
  /** How many separately controlled units the resistance heating has. */
  readonly spaceHeatingUnits: number;
}

/** General lighting and receptacles (220.41), small-appliance (220.52(A)) and laundry (220.52(B)) circuits, VA. */
export function generalLoadVA(loads: DwellingLoads): number {
  return 3 * loads.floorAreaFt2 + 1500 * (loads.smallApplianceCircuits + loads.laundryCircuits);
}

/** Sum of volt-amperes. */
export const sumVA = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0);
