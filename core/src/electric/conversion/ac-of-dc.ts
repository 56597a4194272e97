/**
 * AC power an inverter gives from direct current, W: the inverse of `dcOfAcW`.
 *
 * @param dcW not negative
 * @example acOfDcW(1040, 0.03, 0.00001) // 1000
 */
export const acOfDcW = (dcW: number, lossPerW: number, lossPerW2: number): number => {
  const linear = 1 + lossPerW;
  // The root in the form that loses no digits where the square hardly counts.
  return (2 * dcW) / (linear + Math.sqrt(linear * linear + 4 * lossPerW2 * dcW));
};
