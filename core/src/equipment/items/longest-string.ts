/** Standard test conditions of a module's ratings, °C. */
const ratedAtC = 25;

/**
 * How many modules may stand in series on a direct-current input.
 *
 * Open-circuit voltage rises in the cold: V = Voc · (1 + β · (T − 25 °C)); a string in the coldest hour stays below what the input bears
 * (NEC 690.7(A)(1), recalled).
 *
 * @param openCircuitV of one module at 25 °C, V
 * @param voltagePerC β, as a share a degree; negative
 * @param coldestC the coldest hour of the place, °C
 * @param mostDcV what the input bears, V
 */
export function longestString(
  openCircuitV: number,
  voltagePerC: number,
  coldestC: number,
  mostDcV: number,
): { readonly modules: number; readonly moduleV: number } {
  const moduleV = openCircuitV * (1 + voltagePerC * (coldestC - ratedAtC));
  return { modules: Math.floor(mostDcV / moduleV + 1e-9), moduleV };
}
