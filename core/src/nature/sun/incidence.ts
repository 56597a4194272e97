const degree = Math.PI / 180;

/**
 * Cosine of the angle between the sun and the normal of a plane; negative where the sun is behind it.
 *
 * cos θ = cos θz · cos β + sin θz · sin β · cos(γs − γ). Duffie and Beckman, Solar Engineering of Thermal Processes, eq. 1.6.3
 * (recalled), with azimuths clockwise from north.
 *
 * @param tiltDeg tilt of the plane from horizontal
 * @param facingDeg direction it faces, clockwise from north
 */
export function cosIncidence(
  zenithDeg: number,
  azimuthDeg: number,
  tiltDeg: number,
  facingDeg: number,
): number {
  return (
    Math.cos(zenithDeg * degree) * Math.cos(tiltDeg * degree) +
    Math.sin(zenithDeg * degree) * Math.sin(tiltDeg * degree) * Math.cos((azimuthDeg - facingDeg) * degree)
  );
}
