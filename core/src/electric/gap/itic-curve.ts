/**
 * Dropouts and sags IT equipment rides through by the ITIC (CBEMA) curve, lower limit (Information Technology Industry
 * Council, 2000; recalled): nothing left for 20 ms, 70 % for half a second, 80 % for ten seconds, 90 % for ever.
 *
 * @param voltageShare voltage left, share of nominal
 * @returns how long it is ridden through, s
 */
export function iticRideThroughS(voltageShare: number): number {
  if (voltageShare >= 0.9) return Infinity;
  if (voltageShare >= 0.8) return 10;
  if (voltageShare >= 0.7) return 0.5;
  return 0.02;
}
