import type { PlaneIrradiance } from './transposition.js';

const degree = Math.PI / 180;

/**
 * Share of beam light that passes the glass at an angle of incidence: the one-parameter model of ASHRAE Standard 93 with
 * b₀ = 0.05 (recalled).
 */
export function ashraeAngleShare(cosIncidence: number, b0 = 0.05): number {
  return cosIncidence <= Math.cos(80 * degree)
    ? Math.max(0, (cosIncidence / Math.cos(80 * degree)) * (1 - b0 * (1 / Math.cos(80 * degree) - 1)))
    : 1 - b0 * (1 / cosIncidence - 1);
}

/**
 * Temperature of the cells, °C: nominal operating cell temperature, reached at 800 W/m² and 20 °C (Ross 1976, recalled).
 *
 * @param nominalCellC usually 45 °C (common practice)
 */
export const cellTemperatureC = (airC: number, irradianceWPerM2: number, nominalCellC = 45): number =>
  airC + (irradianceWPerM2 / 800) * (nominalCellC - 20);

/** Losses on the direct-current side, shares: the defaults of NREL/TP-6A20-62641 (recalled). */
export const defaultLosses = {
  soiling: 0.02,
  shading: 0.03,
  snow: 0,
  mismatch: 0.02,
  wiring: 0.02,
  connections: 0.005,
  lightInduced: 0.015,
  nameplate: 0.01,
  age: 0,
  availability: 0.03,
} as const;

/** All losses together, a share: 1 − Π (1 − loss). */
export const totalLoss = (losses: Readonly<Record<string, number>>): number =>
  1 - Object.values(losses).reduce((left, loss) => left * (1 - loss), 1);

/** A solar array and its inverter. */
export interface ArrayFacts {
  /** Direct-current power under standard test conditions, W. */
  readonly ratedW: number;
  /** Change of power for each °C above 25, a share; usually −0.004 to −0.003 (common practice). */
  readonly temperatureCoefficientPerC: number;
  /** All losses together, a share. */
  readonly loss: number;
  readonly inverterEfficiency: number;
  /** Alternating-current power at which the inverter clips, W. */
  readonly inverterW: number;
}

export interface ArrayPower {
  readonly dcW: number;
  readonly acW: number;
  /** Lost because the inverter is smaller than the array, W. */
  readonly clippedW: number;
}

/**
 * Power of an array: irradiance behind the glass × rated power × temperature × losses, then the inverter (the structure of
 * NREL/TP-6A20-62641, recalled).
 *
 * @param beamShare share of the beam that reaches the array past shading, 0 to 1
 */
export function arrayPower(
  irradiance: PlaneIrradiance,
  cosIncidence: number,
  airC: number,
  facts: ArrayFacts,
  beamShare = 1,
): ArrayPower {
  const beamWPerM2 = irradiance.beamWPerM2 * beamShare * ashraeAngleShare(cosIncidence);
  const effectiveWPerM2 = beamWPerM2 + irradiance.skyWPerM2 + irradiance.groundWPerM2;
  if (effectiveWPerM2 <= 0) return { dcW: 0, acW: 0, clippedW: 0 };
  const cellC = cellTemperatureC(airC, effectiveWPerM2);
  const dcW = Math.max(
    0,
    facts.ratedW *
      (effectiveWPerM2 / 1000) *
      (1 + facts.temperatureCoefficientPerC * (cellC - 25)) *
      (1 - facts.loss),
  );
  const wantedW = dcW * facts.inverterEfficiency;
  const acW = Math.min(wantedW, facts.inverterW);
  return { dcW, acW, clippedW: wantedW - acW };
}
