/** Rating points of air-source heat pumps, H1 and H3: 47 °F and 17 °F (AHRI 210/240; recalled). */
const ratedC = 8.3;
const lowC = -8.3;
/** COP at the low point over the rated one: some 2.4 over 3.6 (common practice, no source). */
const lowShare = 2.4 / 3.6;
/** It never falls further than to this share: at last the heat is that of a resistance (common practice, no source). */
const leastShare = 1 / 3.6;

/**
 * How much less heat an air-source heat pump gives for the same electricity in the cold: its COP at an outdoor temperature over
 * that at its rating point of 8.3 °C (47 °F), a straight line through the two rating points.
 *
 * @param outdoorC outdoor temperature, °C
 * @returns share, 0.28 to 1.25
 */
export const heatPumpCopShare = (outdoorC: number): number =>
  Math.min(1.25, Math.max(leastShare, 1 - ((ratedC - outdoorC) * (1 - lowShare)) / (ratedC - lowC)));
