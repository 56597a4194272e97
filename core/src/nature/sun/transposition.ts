import type { Sky } from './sky.js';

const degree = Math.PI / 180;

/** Irradiance on a tilted plane by where it comes from, W/m². */
export interface PlaneIrradiance {
  readonly beamWPerM2: number;
  readonly skyWPerM2: number;
  readonly groundWPerM2: number;
}

/** Rb is not let grow without bound when the sun is at the horizon. */
const lowestCosine = 0.01745;

/**
 * Irradiance on a tilted plane: Hay and Davies (1980), recalled. The part of the diffuse light that comes from around the sun
 * (its anisotropy index, beam over extraterrestrial) is treated as beam, the rest as an even sky; the ground reflects evenly.
 *
 * @param cosIncidence see {@link cosIncidence}
 * @param albedo share of global light that the ground reflects, 0 to 1
 */
export function hayDavies(
  sky: Sky,
  zenithDeg: number,
  cosIncidence: number,
  tiltDeg: number,
  extraterrestrialWPerM2: number,
  albedo: number,
): PlaneIrradiance {
  const facing = Math.max(0, cosIncidence);
  const ratio = facing / Math.max(lowestCosine, Math.cos(zenithDeg * degree));
  const anisotropy = sky.beamWPerM2 / extraterrestrialWPerM2;
  const cosTilt = Math.cos(tiltDeg * degree);
  return {
    beamWPerM2: sky.beamWPerM2 * facing,
    skyWPerM2: sky.diffuseWPerM2 * (anisotropy * ratio + ((1 - anisotropy) * (1 + cosTilt)) / 2),
    groundWPerM2: (sky.globalWPerM2 * albedo * (1 - cosTilt)) / 2,
  };
}
