import { describe, expect, it } from 'vitest';
import { signSize } from '../../rules/details.js';
import { demoPlans, sayOfPart } from '../../design/index.js';
import { aWiredHouse, wired } from '../testing/wired.js';
import { disconnectsOf } from './disconnects-of.js';
import { signsOf } from './signs-of.js';

const house = aWiredHouse({
  between: [{ id: 'e', kind: 'emergency-disconnect', ratingA: 200, ownMeter: false, place: '', note: '' }],
});

describe('the signs of a house', () => {
  it('have letters of half an inch, white on red, where firefighters look, and smaller ones elsewhere', () => {
    const signs = signsOf(house, wired(house));
    const emergency = signs.find(({ rule }) => rule.startsWith('230.85'))!;
    // NEC 2023, 230.85(E), recalled.
    expect([emergency.letterMm, emergency.look]).toEqual([12.7, 'white on red']);
    for (const { letterMm } of signs) expect(letterMm).toBeGreaterThanOrEqual(9.5);
  });

  it('are as large as their words ask, and grow with them', () => {
    // Two words of four letters in one line: (9 × 0.75 + 2) × 10 wide, (1.6 + 2) × 10 high, in steps of 5.
    expect(signSize('Main Main', 10, 5)).toEqual({ widthMm: 90, heightMm: 40 });
    const long = signSize(Array.from({ length: 12 }, () => 'Disconnect').join(' '), 10, 5);
    expect(long.heightMm).toBeGreaterThan(80);
    expect(signSize('Main Main', 20, 5).widthMm).toBe(175);
  });
});

describe('the disconnects of a house', () => {
  it('stand in the order of the cables from the meter, the emergency disconnect first', () => {
    const [first, ...rest] = disconnectsOf(wired(house).graph);
    expect([first?.name, first?.cableM]).toEqual(['Emergency disconnect', 0]);
    const metres = rest.map(({ cableM }) => cableM!);
    expect(metres).toEqual(metres.toSorted((a, b) => a - b));
  });

  it('are as far as the lengths on the way add up to, by whichever way is shorter', () => {
    const at = (plan = house): number =>
      disconnectsOf(wired(plan).graph).find(({ name }) => name.startsWith('Main of'))!.cableM!;
    const feeder = wired(house).graph.parts.find(({ id }) => id.startsWith('feeder:'))!.id;
    const longer = { ...house, wiring: sayOfPart(house.wiring, feeder, { lengthM: 25 }) };
    expect(at(longer) - at()).toBeCloseTo(20);
  });

  it('can each be reached, and stand once, in the demo houses', () => {
    for (const { plan } of demoPlans) {
      const found = disconnectsOf(wired(plan).graph);
      expect(found.length).toBeGreaterThanOrEqual(2);
      expect(new Set(found.map(({ part }) => part)).size).toBe(found.length);
      expect(found.every(({ cableM }) => cableM !== null)).toBe(true);
    }
  });
});
