/** What the sky gives at a moment, W/m². */
export interface Sky {
  /** On a horizontal plane. */
  readonly globalWPerM2: number;
  /** From the sun itself, on a plane that faces it. */
  readonly beamWPerM2: number;
  /** From the rest of the sky, on a horizontal plane. */
  readonly diffuseWPerM2: number;
}

const degree = Math.PI / 180;

/** Global irradiance under a clear sky on a horizontal plane, W/m²: Haurwitz (1945), recalled. 0 below the horizon. */
export function clearSkyWPerM2(zenithDeg: number): number {
  const cosine = Math.cos(zenithDeg * degree);
  return cosine > 0 ? 1098 * cosine * Math.exp(-0.059 / cosine) : 0;
}

/**
 * Diffuse part of global irradiance: Erbs, Klein and Duffie (1982), recalled.
 *
 * @param clearness global over extraterrestrial irradiance on the same horizontal plane, 0 to 1
 * @returns share, 0 to 1
 */
export function erbsDiffuseShare(clearness: number): number {
  const k = Math.max(0, clearness);
  if (k <= 0.22) return 1 - 0.09 * k;
  if (k <= 0.8) return 0.9511 - 0.1604 * k + 4.388 * k ** 2 - 16.638 * k ** 3 + 12.336 * k ** 4;
  return 0.165;
}

/** Below this elevation the beam is not resolved: dividing by a small cosine would invent light. */
const lowestCosine = 0.0523;

/**
 * Splits global irradiance into beam and diffuse.
 *
 * @param extraterrestrialWPerM2 on a plane that faces the sun, outside the atmosphere
 */
export function splitGlobal(globalWPerM2: number, zenithDeg: number, extraterrestrialWPerM2: number): Sky {
  const cosine = Math.cos(zenithDeg * degree);
  if (globalWPerM2 <= 0) return { globalWPerM2: 0, beamWPerM2: 0, diffuseWPerM2: 0 };
  if (cosine < lowestCosine) return { globalWPerM2, beamWPerM2: 0, diffuseWPerM2: globalWPerM2 };
  const clearness = globalWPerM2 / (extraterrestrialWPerM2 * cosine);
  const diffuseWPerM2 = globalWPerM2 * erbsDiffuseShare(clearness);
  const beamWPerM2 = Math.min((globalWPerM2 - diffuseWPerM2) / cosine, extraterrestrialWPerM2);
  return { globalWPerM2, beamWPerM2, diffuseWPerM2: globalWPerM2 - beamWPerM2 * cosine };
}
