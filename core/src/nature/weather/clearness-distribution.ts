/** Lowest clearness a day has. */
const lowest = 0.05;

/** How the clearness of single days spreads around its mean over a month. */
export interface ClearnessSpread {
  readonly highest: number;
  readonly gamma: number;
}

/**
 * Spread of daily clearness in a month of a given mean: Bendt, Collares-Pereira and Rabl (1981) with the correlation of
 * Herzog (1985) for γ and of Hollands and Huget (1983) for the highest day, as in Duffie and Beckman, section 2.9 (recalled).
 *
 * @param mean monthly mean clearness, 0.1 to 0.75
 */
export function clearnessSpread(mean: number): ClearnessSpread {
  const highest = 0.6313 + 0.267 * mean - 11.9 * (mean - 0.75) ** 8;
  const xi = (highest - lowest) / (highest - mean);
  const gamma = -1.498 + (1.184 * xi - 27.182 * Math.exp(-1.5 * xi)) / (highest - lowest);
  return { highest, gamma };
}

/** Clearness that a share of the days of the month stay below: the inverse of their distribution. */
export function clearnessAt(share: number, { highest, gamma }: ClearnessSpread): number {
  const bottom = Math.exp(gamma * lowest);
  const top = Math.exp(gamma * highest);
  // With γ at zero every clearness is equally frequent.
  if (Math.abs(gamma) < 1e-6) return lowest + share * (highest - lowest);
  return Math.log(bottom + share * (top - bottom)) / gamma;
}
