import { describe, expect, it } from 'vitest';
import { emptyCommissioning } from '../../house/index.js';
import { judgeStep } from '../judge/judge-step.js';
import { demosInHand } from '../testing/demos-in-hand.js';
import type { Step } from './step.js';
import { stepsOf } from './steps-of.js';

const [farm, street] = demosInHand().map((house) => stepsOf(house, emptyCommissioning())) as [Step[], Step[]];
const stepOf = (id: string): Step => {
  const step = [...farm, ...street].find((one) => one.id === id);
  if (step?.asks.kind !== 'measure') throw new Error(`There is no measurement ${id}`);
  return step;
};
const judged = (id: string, reading: number) => judgeStep(stepOf(id), { reading, isSo: null });

/**
 * What is right, worked out by hand from the design: 120 V ± 5 % (ANSI C84.1 range A, recalled) and 230 V ± 10 % (IEC 60038, recalled);
 * 1.3 times the resistance and 0.1 Ω, a known load ± a fifth and 50 W, twice the gap of 34 ms and 3 ms, starts of 40 to 120 %, waits from 90 % to
 * 2 and 3 minutes more (common practice, no source); a protective conductor of 10 AWG copper has 1.24 Ω a thousand feet (NEC
 * Chapter 9 Table 8, recalled): 0.01163 Ω on 9.38 ft.
 */
const bounds: readonly (readonly [id: string, least: number | null, most: number | null])[] = [
  ['continuity:output:farm:1', null, 1.3 * 0.00938 * 1.24 + 0.1],
  ['continuity:output:street:1', null, 1],
  ['insulation:output:farm:1', 1e6, null],
  ['voltage:farm:L1-N', 114, 126],
  ['voltage:farm:L1-L2', 228, 252],
  ['voltage:farm:N-PE', null, 2],
  ['voltage:street:L3-N', 207, 253],
  ['voltage:street:L1-L3', 360, 440],
  ['sensor:sensors:farm:L1', 1450 - 0.2 * 1450 - 50, 1450 + 0.2 * 1450 + 50],
  ['batteries:farm', 4, 4],
  ['spread:farm', null, 0.05],
  ['gap:farm', null, 2 * 34 + 3],
  ['island:farm:L2-N', 114, 126],
  ['frequency:farm', 59.5, 60.5],
  ['start:farm:well-pump-large', 0.4 * 61, 1.2 * 61],
  ['sun-back:farm:barn-roof', 0.9 * 300, 420],
  ['return:farm', 0.9 * 300, 480],
  ['signs', 8, null],
];

describe('what is right', () => {
  it.each(bounds)('%s: from %d to %d', (id, least, most) => {
    const { asks } = stepOf(id);
    if (asks.kind !== 'measure') throw new Error(id);
    for (const [is, should] of [
      [asks.least, least],
      [asks.most, most],
    ] as const) {
      if (should === null) expect(is).toBeNull();
      else expect(Math.abs(is! - should) / should).toBeLessThan(0.002);
    }
  });
});

/** Where the likely cause changes (common practice, no source): a reading a little below, one a little above, and what each says. */
const turns: readonly (readonly [id: string, below: number, says: string, above: number, then: string])[] = [
  ['continuity:output:farm:1', 1.14, 'screw', 1.16, 'not connected'],
  ['insulation:output:farm:1', 9_900, 'Conductors touch', 10_100, 'Moisture'],
  ['voltage:farm:L1-N', 11.9, 'leg is lost', 12.1, 'floats'],
  ['voltage:farm:L1-N', 53.5, 'floats', 54.5, 'is another than'],
  ['voltage:farm:L1-N', 77.5, 'is another than', 78.5, 'loose neutral'],
  ['voltage:farm:L1-N', 191, 'loose neutral', 193, 'where the neutral'],
  ['voltage:farm:L1-L2', 23.8, 'leg is lost', 24.2, 'floats'],
  ['voltage:farm:L1-L2', 107, 'floats', 109, 'is another than'],
  ['voltage:farm:L1-L2', 155, 'is another than', 157, 'weak connection'],
  ['voltage:farm:L1-L2', 383, 'tap or a setting', 385, 'where the neutral'],
  ['voltage:farm:N-PE', 19.9, 'loose neutral', 20.1, 'are exchanged'],
  ['island:farm:L1-N', 11.9, 'leg of the inverter', 12.1, 'floats'],
  ['sensor:sensors:farm:L1', -727, 'turned round', -723, 'another conductor'],
  ['sensor:sensors:farm:L1', 289, 'another conductor', 291, 'ratio is set to half'],
  ['sensor:sensors:farm:L1', 1012, 'ratio is set to half', 1018, 'another power'],
  ['sensor:sensors:farm:L1', 2316, 'another power', 2324, 'ratio is set too high'],
  ['gap:farm', 707, 'opens lat', 713, 'tripped first'],
];

describe('what is likely', () => {
  it.each(turns)('%s: %d %s, %d %s', (id, below, says, above, then) => {
    expect(judged(id, below).causes.join('; ')).toContain(says);
    expect(judged(id, below).causes.join('; ')).not.toContain(then);
    expect(judged(id, above).causes.join('; ')).toContain(then);
    expect(judged(id, above).causes.join('; ')).not.toContain(says);
  });

  it('is said of too few and too many', () => {
    expect(judged('batteries:farm', 3).causes.join()).toContain('address is given twice');
    expect(judged('batteries:farm', 5).causes.join()).toContain('another stack');
    expect(judged('signs', 7).causes).toHaveLength(1);
  });
});
