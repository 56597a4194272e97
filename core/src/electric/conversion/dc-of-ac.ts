/**
 * Direct current an inverter takes to give an AC power, W. Its loss grows with the power and with its square (current through
 * semiconductors and copper); what it draws while idle is counted apart.
 *
 * @param acW not negative
 * @param lossPerW share of the power that is lost
 * @param lossPerW2 share of the square of the power, 1/W
 * @example dcOfAcW(1000, 0.03, 0.00001) // 1040
 */
export const dcOfAcW = (acW: number, lossPerW: number, lossPerW2: number): number =>
  acW * (1 + lossPerW + lossPerW2 * acW);
