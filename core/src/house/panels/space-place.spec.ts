import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { systemFacts } from '../../electric/index.js';
import { arbitrarySystem } from '../testing/loads.js';
import { circuitLegs } from './circuit-legs.js';
import { newPanel } from './new-panel.js';
import { panelLayouts, type Panel } from './panel.schema.js';
import { spaceAt, spaceLeg, spacePlace, spacesFrom } from './space-place.js';

const panel = (changes: Partial<Panel> = {}): Panel => ({
  ...newPanel('p', 'Panel', 'split-120-240', { kind: 'unknown' }),
  spaces: 40,
  ...changes,
});
const arbitraryPanel = fc.record({
  layout: fc.constantFrom(...panelLayouts),
  spaces: fc.integer({ min: 1, max: 84 }),
  topLeg: fc.constantFrom('L1' as const, 'L2' as const, 'L3' as const),
});

describe('spaces of a panel', () => {
  // Common practice, no source: odd left, even right, legs alternate down the rows.
  it('alternate two legs down the rows: 1 and 2 on L1, 3 and 4 on L2', () => {
    const legs = [1, 2, 3, 4, 5, 6].map((space) => spaceLeg(panel(), space, 'split-120-240'));
    expect(legs).toEqual(['L1', 'L1', 'L2', 'L2', 'L1', 'L1']);
  });

  it('rotate three legs, and begin with the leg somebody found at the top', () => {
    const legs = [1, 3, 5, 7].map((space) => spaceLeg(panel({ topLeg: 'L3' }), space, 'three-230-400'));
    expect(legs).toEqual(['L3', 'L1', 'L2', 'L3']);
  });

  it('follow the comb bus bar in a panel of one row, and have one leg in a single-phase house', () => {
    const row = panel({ layout: 'one-row', spaces: 12 });
    expect([1, 2, 3, 4].map((space) => spaceLeg(row, space, 'three-230-400'))).toEqual([
      'L1',
      'L2',
      'L3',
      'L1',
    ]);
    expect([1, 2].map((space) => spaceLeg(row, space, 'single-230'))).toEqual(['L1', 'L1']);
  });

  it('run down one column and then the other where they are numbered so', () => {
    const down = panel({ layout: 'down-columns', spaces: 20 });
    expect(spacePlace(down, 11)).toEqual({ column: 1, row: 0 });
    expect(spaceLeg(down, 1, 'split-120-240')).toBe(spaceLeg(down, 11, 'split-120-240'));
  });

  it('have each its own place, and a leg the supply has', () => {
    fc.assert(
      fc.property(arbitraryPanel, arbitrarySystem, (facts, system) => {
        const places = new Set<string>();
        for (let space = 1; space <= facts.spaces; space += 1) {
          const place = spacePlace(facts, space);
          places.add(`${place.column} ${place.row}`);
          expect(spaceAt(facts, place)).toBe(space);
          expect(systemFacts[system].legs).toContain(spaceLeg(facts, space, system));
        }
        expect(places.size).toBe(facts.spaces);
      }),
    );
  });

  it('give breakers of more poles straight down a column as many legs as there can be', () => {
    fc.assert(
      fc.property(
        arbitraryPanel,
        arbitrarySystem,
        fc.integer({ min: 1, max: 84 }),
        fc.integer({ min: 1, max: 3 }),
        (facts, system, space, poles) => {
          const spaces = space <= facts.spaces ? spacesFrom(facts, space, poles) : null;
          if (!spaces) return;
          const legs = circuitLegs(facts, { spaces }, system);
          expect(legs).toHaveLength(Math.min(poles, systemFacts[system].legs.length));
        },
      ),
    );
  });

  it('keep a panel even: no leg has more than a row more than another', () => {
    fc.assert(
      fc.property(arbitraryPanel, (facts) => {
        const counts = { L1: 0, L2: 0, L3: 0 };
        for (let space = 1; space <= facts.spaces; space += 1)
          counts[spaceLeg(facts, space, 'split-120-240')] += 1;
        expect(Math.abs(counts.L1 - counts.L2)).toBeLessThanOrEqual(2);
      }),
    );
  });
});
