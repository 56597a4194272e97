import { describe, expect, it } from 'vitest';
import { demoPlans, type Plan, usualArray } from '../../design/index.js';
import { builtInCatalogue } from '../../equipment/index.js';
import { isValid } from '../../design/testing/is-valid.js';
import { helpfulChanges } from './helpful-changes.js';

const farm = demoPlans[0]!.plan;
const parts = farm.equipment.stacks[0]!.parts;

/** The compass of the titles, clockwise from north. */
const compass: Readonly<Record<string, number>> = {
  'north-east': 45,
  east: 90,
  'south-east': 135,
  south: 180,
  'south-west': 225,
  west: 270,
  'north-west': 315,
  north: 0,
};
function turned(latitudeDeg: number, facingDeg: number): [string, number][] {
  const site = { ...farm.site, latitudeDeg };
  const array = { ...usualArray({ site, supply: farm.supply }, 'a', 'Roof'), facingDeg };
  const plan: Plan = { ...farm, site, sources: { ...farm.sources, arrays: [array] } };
  return helpfulChanges(plan, parts, builtInCatalogue)
    .filter(({ id }) => id.startsWith('sun.turn'))
    .map(({ title, plan: changed }) => [
      title.replace('Roof turned to the ', ''),
      changed.sources.arrays[0]!.facingDeg,
    ]);
}

describe('changes that may help', () => {
  it('have names of their own, and each makes a valid plan', () => {
    const changes = helpfulChanges(farm, parts, builtInCatalogue);
    expect(new Set(changes.map(({ id }) => id)).size).toBe(changes.length);
    for (const { title, plan } of changes) expect(isValid(plan), title).toBe(true);
  });

  it.each([
    [44, 180],
    [-34, 0],
  ])(
    'at %i° of latitude turn an array that faces %i° to where their titles say, not to where it is',
    (latitudeDeg, facingDeg) => {
      const found = turned(latitudeDeg, facingDeg);
      expect(found).toHaveLength(4);
      for (const [name, deg] of found) expect(deg, name).toBe(compass[name]);
      expect(found.map(([, deg]) => deg)).not.toContain(facingDeg);
      // Never away from the equator.
      for (const [, deg] of found)
        expect(Math.cos(((deg - facingDeg) * Math.PI) / 180)).toBeGreaterThan(-1e-9);
    },
  );

  it('leave out directions within 30° of where it faces', () => {
    expect(turned(44, 205).map(([name]) => name)).toEqual(['east', 'south-east', 'west']);
    expect(turned(44, 149).map(([name]) => name)).toEqual(['east', 'south', 'south-west', 'west']);
  });
});
