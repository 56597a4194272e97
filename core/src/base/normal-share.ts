/** Share of a normal distribution below a score: Abramowitz and Stegun 7.1.26 (recalled), good to 10⁻⁷. */
export function normalShare(score: number): number {
  const x = Math.abs(score) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp(-x * x);
  return score >= 0 ? 1 - tail / 2 : tail / 2;
}
