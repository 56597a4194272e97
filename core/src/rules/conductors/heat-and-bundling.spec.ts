import { describe, expect, it } from 'vitest';
import { ambientFactor, iecAmbientFactor } from './heat-and-bundling.js';

/** Current heats with its square: NEC 310.15(B), equation (recalled); Tables 310.15(B)(1) and B.52.14 are its values to two places. */
const byHeat = (insulationC: number, ambientC: number): number =>
  ambientC < insulationC ? Math.sqrt((insulationC - ambientC) / (insulationC - 30)) : 0;
const bands = (fromC: number, toC: number): number[] =>
  Array.from({ length: (toC - fromC) / 5 + 1 }, (_, step) => fromC + 5 * step);

describe.each([60, 75, 90] as const)('an American conductor for %d °C', (insulationC) => {
  it.each(bands(10, 70))('in air of up to %d °C carries what the heat leaves it', (upToC) => {
    const expected = byHeat(insulationC, upToC);
    expect(Math.abs(ambientFactor(upToC, insulationC) - expected)).toBeLessThanOrEqual(0.0051);
    // The band is the five degrees below it, ten at its cold end.
    expect(ambientFactor(upToC - 4.9, insulationC)).toBe(ambientFactor(upToC, insulationC));
    expect(ambientFactor(upToC + 0.1, insulationC)).toBeLessThanOrEqual(ambientFactor(upToC, insulationC));
  });
  it('carries nothing beyond what the table goes to', () => {
    expect(ambientFactor(70.1, insulationC)).toBe(0);
  });
});

describe('a conductor with PVC by IEC and BS', () => {
  it.each(bands(30, 60))('in air of up to %d °C carries what the heat leaves it', (upToC) => {
    expect(Math.abs(iecAmbientFactor(upToC) - byHeat(70, upToC))).toBeLessThanOrEqual(0.0051);
    expect(iecAmbientFactor(upToC - 4.9)).toBe(iecAmbientFactor(upToC));
  });
  it('is not raised by cold as much as the heat would allow (Table 4B1, recalled), and carries nothing above 60 °C', () => {
    expect(iecAmbientFactor(25)).toBe(1.03);
    expect(iecAmbientFactor(25.1)).toBe(1);
    expect(iecAmbientFactor(60.1)).toBe(0);
  });
});
