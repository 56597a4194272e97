import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { conductorMaterials, conductorSizes } from '../../electric/index.js';
import { circuitEntryText, readCircuitEntry } from './circuit-entry.js';
import { protections } from './panel.schema.js';

const one = (text: string) => {
  const read = readCircuitEntry(text);
  return read.ok ? read.entries[0] : read.message;
};

describe('a breaker in one line', () => {
  it.each([
    ['20 Kitchen outlets', { ratingA: 20, poles: 1, name: 'Kitchen outlets', use: 'circuit' }],
    ['20A Kitchen', { ratingA: 20, name: 'Kitchen' }],
    ['50/2 Range', { ratingA: 50, poles: 2, name: 'Range' }],
    [
      '16/3 Heat pump 2.5mm2',
      { ratingA: 16, poles: 3, name: 'Heat pump', conductor: { size: '2.5 mm²', material: 'copper' } },
    ],
    [
      '30 2p Dryer #10',
      { ratingA: 30, poles: 2, name: 'Dryer', conductor: { size: '10 AWG', material: 'copper' } },
    ],
    [
      '15 Hall afci 14 awg',
      { protection: 'afci', name: 'Hall', conductor: { size: '14 AWG', material: 'copper' } },
    ],
    [
      '100/2 Barn 1/0 AWG al',
      { ratingA: 100, poles: 2, name: 'Barn', conductor: { size: '1/0 AWG', material: 'aluminium' } },
    ],
    ['Bedroom 2', { ratingA: null, name: 'Bedroom 2' }],
    ['Bedroom 2 15A', { ratingA: 15, name: 'Bedroom 2' }],
    ['spare 20', { use: 'spare', ratingA: 20, name: '' }],
    ['20 Dining afci-gfci', { protection: 'afci-gfci', name: 'Dining' }],
  ])('%s', (text, expected) => {
    expect(one(text)).toMatchObject(expected);
  });

  it('holds a tandem', () => {
    const read = readCircuitEntry('15 Hall | 20 Porch');
    expect(read.ok && read.entries.map(({ name, ratingA }) => [name, ratingA])).toEqual([
      ['Hall', 15],
      ['Porch', 20],
    ]);
  });

  it.each([
    ['20 Kitchen #13', 'no conductor of size'],
    ['50/4 Range', 'one, two or three poles'],
    ['15 a | 15 b | 15 c', 'at most two'],
    ['50/2 Range | 15 Hall', 'two breakers of one pole'],
    ['', 'Write for example'],
    [`20 ${'x'.repeat(90)}`, 'at most 80'],
  ])('refuses “%s” with what to change', (text, words) => {
    expect(one(text)).toContain(words);
  });

  it('reads back what it shows', () => {
    const arbitrary = fc.record({
      name: fc.constantFrom('Kitchen', 'Bedroom 2', 'Well pump', 'Hall, north'),
      use: fc.constantFrom('circuit' as const, 'spare' as const),
      ratingA: fc.option(fc.constantFrom(6, 15, 20, 50, 125)),
      spaces: fc.constantFrom<number[]>([3], [1, 3], [2, 4, 6]),
      protection: fc.constantFrom(...protections),
      conductor: fc.option(
        fc.record({
          size: fc.constantFrom(...conductorSizes),
          material: fc.constantFrom(...conductorMaterials),
          ratedC: fc.constant(null),
        }),
      ),
    });
    fc.assert(
      fc.property(arbitrary, (circuit) => {
        const { spaces, ...rest } = circuit;
        expect(one(circuitEntryText(circuit))).toEqual({ ...rest, poles: spaces.length });
      }),
    );
  });

  it('never throws', () => {
    fc.assert(fc.property(fc.string(), (text) => typeof readCircuitEntry(text).ok === 'boolean'));
  });
});
