/** How many times longer a proof is than a test. */
const proofFactor = 20;

/** Runs of a property: so many in a test, many more under `./levamen prove`. */
export const runs = (inTest: number): { numRuns: number } => ({
  numRuns: process.env['LEVAMEN_PROVE'] === '1' ? inTest * proofFactor : inTest,
});
