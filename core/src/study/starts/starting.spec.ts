import { describe, expect, it } from 'vitest';
import { aLoad } from '../../house/testing/loads.js';
import { codeLetterKVAPerHp, codeLetters, fullLoadCurrentA } from '../../electric/index.js';
import type { Start } from '../../house/index.js';
import { startDemand } from './start-demand.js';

const demand = (start: Start, changes: Parameters<typeof aLoad>[0] = {}) =>
  startDemand(
    'split-120-240',
    aLoad({ runningPowerW: 500, powerFactor: 0.8, legs: 'L1-L2', start, ...changes }),
  );

describe('code letters (NEC Table 430.7(B), recalled)', () => {
  it.each([
    ['A', 3.15],
    ['B', 3.55],
    ['C', 4.0],
    ['D', 4.5],
    ['E', 5.0],
    ['F', 5.6],
    ['G', 6.3],
    ['H', 7.1],
    ['J', 8.0],
    ['K', 9.0],
    ['L', 10.0],
    ['M', 11.2],
    ['N', 12.5],
    ['P', 14.0],
    ['R', 16],
    ['S', 18],
    ['T', 20],
    ['U', 22.4],
  ] as const)('%s ends below %f kVA/hp', (letter, upper) => {
    expect(codeLetterKVAPerHp[letter]).toBe(upper);
  });

  it('rise from letter to letter and leave out I, O and Q', () => {
    const values = codeLetters.map((letter) => codeLetterKVAPerHp[letter]);
    expect(values).toEqual(values.toSorted((a, b) => a - b));
    expect(codeLetters.join('')).not.toMatch(/[IOQ]/);
  });

  it('give the start: 1½ hp of letter G asks for 9.45 kVA', () => {
    const start = demand({ how: 'codeLetter', letter: 'G', horsepower: 1.5, durationS: 0.6 });
    expect(start?.startVA).toBeCloseTo(9450, 6);
    expect(start?.startA).toBeCloseTo(39.375, 6);
  });
});

describe('full-load currents (NEC Table 430.248, recalled)', () => {
  it.each([
    [1 / 6, 115, 4.4],
    [1 / 4, 115, 5.8],
    [1 / 3, 115, 7.2],
    [1 / 2, 115, 9.8],
    [3 / 4, 115, 13.8],
    [1, 115, 16],
    [1 / 2, 230, 4.9],
    [3 / 4, 230, 6.9],
    [1, 230, 8],
    [1.5, 230, 10],
    [2, 230, 12],
    [3, 230, 17],
    [5, 230, 28],
    [7.5, 230, 40],
    [10, 230, 50],
    [1, 208, 8.8],
    [5, 200, 32.2],
  ] as const)('%f hp at %i V: %f A', (horsepower, voltage, current) => {
    expect(fullLoadCurrentA(horsepower, voltage)).toBe(current);
  });

  it('reads 120 V as the column of 115 V and 240 V as that of 230 V', () => {
    expect(fullLoadCurrentA(1, 120)).toBe(16);
    expect(fullLoadCurrentA(1, 240)).toBe(8);
  });

  it('takes the next larger row between two and ends at 10 hp', () => {
    expect(fullLoadCurrentA(0.6, 230)).toBe(6.9);
    expect(() => fullLoadCurrentA(11, 230)).toThrow(RangeError);
  });

  it('multiply to a start: 1 hp at 240 V, six times', () => {
    const start = demand({ how: 'fullLoad', horsepower: 1, multiple: 6, durationS: 0.5 });
    expect(start?.startVA).toBeCloseTo(240 * 8 * 6, 6);
  });
});

// NEC Table 430.250, recalled.
describe('full-load currents of three-phase motors', () => {
  it.each([
    [1 / 2, 230, 2.2],
    [1, 230, 4.2],
    [2, 230, 6.8],
    [3, 230, 9.6],
    [5, 230, 15.2],
    [7.5, 230, 22],
    [10, 230, 28],
    [3, 208, 10.6],
    [5, 460, 7.6],
    [10, 460, 14],
  ] as const)('%f hp at %i V: %f A', (horsepower, voltageV, currentA) => {
    expect(fullLoadCurrentA(horsepower, voltageV, 3)).toBe(currentA);
  });

  it('keep their power at a voltage between the columns: 5 hp at 400 V', () => {
    expect(fullLoadCurrentA(5, 400, 3)).toBeCloseTo((7.6 * 460) / 400, 9);
    const start: Start = { how: 'fullLoad', horsepower: 5, multiple: 6, durationS: 0.5 };
    const load = aLoad({ legs: 'L1-L2-L3', runningPowerW: 4000, powerFactor: 0.85, start });
    expect(startDemand('three-230-400', load)?.startA).toBeCloseTo(6 * 8.74, 6);
  });
});

describe('start of a load', () => {
  it('has none where there is no surge', () => {
    expect(demand({ how: 'none' })).toBeNull();
  });

  it('counts a multiple on the apparent power', () => {
    expect(demand({ how: 'multiple', multiple: 5, durationS: 0.5 })?.startVA).toBeCloseTo((500 / 0.8) * 5, 9);
  });

  it('counts locked-rotor amperes at the voltage of the legs, or at the nameplate', () => {
    const start: Start = { how: 'lockedRotor', lockedRotorA: 30, durationS: 0.5 };
    expect(demand(start)?.startVA).toBe(7200);
    expect(demand(start, { legs: 'L1' })?.startVA).toBe(3600);
    expect(demand(start, { voltageV: 230 })?.startVA).toBe(6900);
  });

  it('counts √3 on three phases', () => {
    const load = aLoad({ legs: 'L1-L2-L3', start: { how: 'lockedRotor', lockedRotorA: 10, durationS: 1 } });
    expect(startDemand('three-230-400', load)?.startVA).toBeCloseTo(Math.sqrt(3) * 4000, 6);
  });

  it('is never below running', () => {
    const start: Start = { how: 'lockedRotor', lockedRotorA: 0.5, durationS: 0.5 };
    expect(demand(start)?.startVA).toBeCloseTo(625, 9);
  });

  it('knows which motors sit straight across the line', () => {
    expect(demand({ how: 'soft', multiple: 1.5, durationS: 3 })?.acrossTheLine).toBe(false);
    expect(demand({ how: 'multiple', multiple: 5, durationS: 3 })?.acrossTheLine).toBe(true);
  });
});
