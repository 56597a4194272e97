import { describe, expect, it } from 'vitest';
import { conductorAreaMm2 } from '../../rules/details.js';
import { demoPlans, sayOfPart } from '../../design/index.js';
import { aWiredHouse, wired } from '../testing/wired.js';
import { wiringMaterial } from './wiring-material.js';

const house = aWiredHouse();
const materialOf = (plan = house) => wiringMaterial(wired(plan), conductorAreaMm2, 3);
const quantity = (lines: ReturnType<typeof materialOf>, name: RegExp): number =>
  lines.filter((line) => name.test(line.name)).reduce((sum, line) => sum + line.quantity, 0);

describe('the material of a wiring', () => {
  it('is what its new cables and devices add up to', () => {
    const { graph, cables } = wired(house);
    const lines = materialOf();
    const fresh = graph.parts.filter(({ cable }) => cable?.isNew);
    // Two lines and a neutral in each run of 120/240 V.
    const metres = fresh.reduce((sum, { cable }) => sum + 3 * cable!.lengthM.value, 0);
    const dc = fresh.filter(({ cable }) => cable!.use === 'battery');
    expect(quantity(lines, /^(?!.*protective).*AWG|kcmil/)).toBeGreaterThanOrEqual(
      metres - dc.reduce((sum, { cable }) => sum + cable!.lengthM.value, 0) - 1e-6,
    );
    expect(quantity(lines, /^Breaker/)).toBe(fresh.filter(({ device }) => device?.kind === 'breaker').length);
    expect(quantity(lines, /protective/)).toBeCloseTo(
      fresh.reduce((sum, { id, cable }) => sum + (cables.get(id)!.earth ? cable!.lengthM.value : 0), 0),
    );
    expect(quantity(lines, /^Signs/)).toBe(3);
  });

  it('grows by what a run grows, and has no breaker where there is a tap', () => {
    const longer = { ...house, wiring: sayOfPart(house.wiring, 'combined:s', { lengthM: 15 }) };
    const more = quantity(materialOf(longer), /AWG Cu$/) - quantity(materialOf(), /AWG Cu$/);
    expect(more).toBeCloseTo(3 * (15 - 5));
    const tapped = { ...house, wiring: sayOfPart(house.wiring, 'combined:s', { tap: true }) };
    expect(quantity(materialOf(tapped), /^Breaker/)).toBe(quantity(materialOf(), /^Breaker/) - 1);
  });

  it('has nothing of what the house has already', () => {
    for (const { plan } of demoPlans)
      for (const { where } of materialOf(plan)) {
        expect(where.some((name) => name.startsWith('Service conductors'))).toBe(false);
        expect(where.some((name) => name.startsWith('Main of'))).toBe(false);
      }
  });

  it('ends each run of conduit in two connectors, and joins its pieces', () => {
    const lines = materialOf({ ...house, wiring: sayOfPart(house.wiring, 'combined:s', { lengthM: 10 }) });
    const runs = lines.filter(({ name }) => name.startsWith('Conduit, '));
    const conduits = runs.reduce((sum, { where }) => sum + where.length, 0);
    expect(quantity(lines, /^Conduit connector/)).toBeGreaterThanOrEqual(2 * conduits);
    // 10 m are four pieces of 3 m, joined three times; shorter runs at least once less than their pieces.
    expect(quantity(lines, /^Conduit coupling/)).toBeGreaterThanOrEqual(3);
    expect(quantity(materialOf(), /^Conduit coupling/)).toBeLessThan(quantity(lines, /^Conduit coupling/));
  });
});
