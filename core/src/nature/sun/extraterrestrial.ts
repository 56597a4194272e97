/** Irradiance of the sun at its mean distance, W/m² (WMO value used by Duffie and Beckman; recalled). */
export const solarConstantWPerM2 = 1367;

const degree = Math.PI / 180;

/** Irradiance outside the atmosphere on a plane facing the sun, W/m²: Duffie and Beckman, eq. 1.4.1a (recalled). */
export const extraterrestrialWPerM2 = (dayOfYear: number): number =>
  solarConstantWPerM2 * (1 + 0.033 * Math.cos(((360 * dayOfYear) / 365) * degree));

/**
 * Energy that falls on a horizontal plane outside the atmosphere in a day: Duffie and Beckman, eq. 1.10.3 (recalled).
 *
 * @param declinationDeg of the sun at noon
 * @returns Wh/m²; 0 in the polar night
 */
export function extraterrestrialDayWhPerM2(
  dayOfYear: number,
  latitudeDeg: number,
  declinationDeg: number,
): number {
  const declination = declinationDeg * degree;
  const latitude = latitudeDeg * degree;
  const cosSunset = -Math.tan(latitude) * Math.tan(declination);
  const sunset = Math.acos(Math.max(-1, Math.min(1, cosSunset)));
  const meanCosine =
    Math.cos(latitude) * Math.cos(declination) * Math.sin(sunset) +
    sunset * Math.sin(latitude) * Math.sin(declination);
  return Math.max(0, (24 / Math.PI) * extraterrestrialWPerM2(dayOfYear) * meanCosine);
}
