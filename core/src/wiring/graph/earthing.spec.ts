import { describe, expect, it } from 'vitest';
import type { Plan } from '../../design/index.js';
import { aWiredHouse } from '../testing/wired.js';
import { earthingOf } from './earthing.js';

const house = aWiredHouse();
const metric = (country: string, packId: Plan['code']['packId'] = null): Plan => ({
  ...house,
  supply: { ...house.supply, system: 'single-230' },
  parties: { ...house.parties, country },
  code: { ...house.code, packId },
});

describe('who joins neutral and earth', () => {
  it('is the house in the Americas and where the neutral is earthed many times, else the supplier (common practice, no source)', () => {
    expect(earthingOf(house).value).toBe('house');
    for (const country of ['Australia', 'New Zealand', 'NZ'])
      expect(earthingOf(metric(country)).value).toBe('house');
    for (const country of ['', 'United Kingdom', 'Austria'])
      expect(earthingOf(metric(country)).value).toBe('supplier');
  });

  it('follows the code that is chosen by hand, and what the designer says before all', () => {
    expect(earthingOf(metric('', 'au-nz')).value).toBe('house');
    const said = metric('Australia');
    const own = earthingOf({ ...said, wiring: { ...said.wiring, earthing: 'electrode' } });
    expect([own.value, own.assumed]).toEqual(['electrode', false]);
  });
});
