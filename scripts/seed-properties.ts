import * as fc from 'fast-check';

/**
 * Cases of property tests are the same in every run, so that a run says of the program what the last one said, on any machine. LEVAMEN_SEED=<number> asks for others; LEVAMEN_SEED=any for new ones each time.
 */
const said = process.env['LEVAMEN_SEED'] ?? '20261128';
if (said !== 'any') fc.configureGlobal({ ...fc.readConfigureGlobal(), seed: Number(said) });
