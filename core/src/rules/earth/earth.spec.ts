import { describe, expect, it } from 'vitest';
import { electrodeConductor } from './electrode-conductor.js';
import { equipmentEarth } from './equipment-earth.js';

describe('equipment earth (NEC 2023, table 250.122, recalled)', () => {
  it.each([
    [15, '14 AWG'],
    [20, '12 AWG'],
    [30, '10 AWG'],
    [60, '10 AWG'],
    [61, '8 AWG'],
    [100, '8 AWG'],
    [200, '6 AWG'],
    [300, '4 AWG'],
    [400, '3 AWG'],
    [600, '1 AWG'],
  ] as const)('%i A: %s copper', (deviceA, size) => {
    expect(equipmentEarth(deviceA, 'copper')).toBe(size);
  });
  it('grows in proportion where conductors are raised for voltage drop, 250.122(B)', () => {
    // From 8 to 4 AWG: 41,740 / 16,510 = 2.53 times 10,380 cmil are 26,243: past 6 AWG by three circular mils.
    expect(equipmentEarth(40, 'copper', { from: '8 AWG', to: '4 AWG' })).toBe('4 AWG');
    expect(equipmentEarth(40, 'copper', { from: '8 AWG', to: '6 AWG' })).toBe('8 AWG');
    expect(equipmentEarth(15, 'copper', { from: '14 AWG', to: '10 AWG' })).toBe('10 AWG');
    expect(equipmentEarth(2000, 'copper')).toBeNull();
  });
});

describe('conductor to the electrodes (NEC 2023, table 250.66, recalled)', () => {
  it.each([
    ['copper', '4 AWG', '8 AWG'],
    ['copper', '2 AWG', '8 AWG'],
    ['copper', '1/0 AWG', '6 AWG'],
    ['copper', '2/0 AWG', '4 AWG'],
    ['copper', '3/0 AWG', '4 AWG'],
    ['copper', '4/0 AWG', '2 AWG'],
    ['copper', '350 kcmil', '2 AWG'],
    ['aluminium', '1/0 AWG', '8 AWG'],
    ['aluminium', '3/0 AWG', '6 AWG'],
    ['aluminium', '4/0 AWG', '4 AWG'],
    ['aluminium', '250 kcmil', '4 AWG'],
  ] as const)('service of %s %s: %s copper', (material, size, electrode) => {
    expect(electrodeConductor({ material, size })).toBe(electrode);
  });
  it('to rods alone never larger than 6 AWG', () => {
    expect(electrodeConductor({ material: 'copper', size: '4/0 AWG' }, true)).toBe('6 AWG');
    expect(electrodeConductor({ material: 'copper', size: '4 AWG' }, true)).toBe('8 AWG');
  });
});
