import { cookingDemandVA } from './cooking-demand.js';
import { type DwellingLoads, generalLoadVA, heatingVA, sumVA, vehiclesVA } from './dwelling-loads.js';

export interface StandardCalculation {
  readonly generalDemandVA: number;
  readonly fastenedDemandVA: number;
  readonly rangeDemandVA: number;
  readonly dryerDemandVA: number;
  readonly vehicleVA: number;
  readonly heatingCoolingVA: number;
  /** Of heating and cooling that never run together, the one that counts. */
  readonly counts: 'heating' | 'cooling';
  /** 25 % of the largest motor that counts. */
  readonly largestMotorVA: number;
  readonly totalVA: number;
}

/** Table 220.45: first 3,000 VA at 100 %, up to 120,000 VA at 35 %, the rest at 25 %. */
const lightingDemandVA = (va: number): number =>
  Math.min(va, 3000) + 0.35 * Math.min(Math.max(0, va - 3000), 117_000) + 0.25 * Math.max(0, va - 120_000);

/** From this rating on an appliance counts towards the four of 220.53. */
const countsFromVA = 500;

/** Fastened appliances: 75 % of those of 500 W and more where there are four or more of them (220.53); the others in full. */
const fastenedDemandOf = (appliances: readonly number[]): number => {
  const counted = appliances.filter((va) => va >= countsFromVA);
  return sumVA(appliances) - (counted.length >= 4 ? 0.25 * sumVA(counted) : 0);
};

/**
 * Standard calculation for a dwelling, NEC Article 220 Part III (2023, recalled; verify against the adopted edition).
 *
 * Lighting and receptacles by Table 220.45; four or more fastened appliances at 75 % (220.53); cooking by Table 220.55;
 * dryers at nameplate, at least 5,000 VA each (220.54); vehicles at 7,200 VA at least (220.57); the larger of heating and
 * cooling (220.60); 25 % of the largest motor on top (220.50, 430.24).
 */
export function standardDwelling(loads: DwellingLoads): StandardCalculation {
  const heating = heatingVA(loads);
  const counts = loads.coolingVA > heating ? 'cooling' : 'heating';
  const motors = loads.motors.filter(
    ({ of }) => of === 'fastened' || (of === 'cooling') === (counts === 'cooling'),
  );
  const parts = {
    generalDemandVA: lightingDemandVA(generalLoadVA(loads)),
    fastenedDemandVA: fastenedDemandOf(loads.fastenedVA),
    rangeDemandVA: cookingDemandVA(loads.rangeVA),
    dryerDemandVA: sumVA(loads.dryerVA.map((va) => Math.max(va, 5000))),
    vehicleVA: vehiclesVA(loads),
    heatingCoolingVA: Math.max(loads.coolingVA, heating),
    largestMotorVA: 0.25 * Math.max(0, ...motors.map(({ powerVA }) => powerVA)),
  };
  return { ...parts, counts, totalVA: sumVA(Object.values(parts)) };
}
