import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { libraryFor } from '../../house/details.js';
import { seasons } from '../../nature/index.js';
import { isValid } from '../../design/testing/is-valid.js';
import { supplySystems } from '../../electric/index.js';
import { demandContextOf } from '../margins/demand-context-of.js';
import { requiredNameplateFigure } from '../margins/requirement.js';
import { hoursAt, quickAnswer, type QuickQuestion, smallInverter } from './quick-answer.js';

const question = (
  change: Partial<QuickQuestion> & { readonly ids?: readonly string[] } = {},
): QuickQuestion => {
  const { ids = ['fridge', 'router', 'well-pump-small', 'lights-living'], ...rest } = change;
  const system = rest.system ?? 'split-120-240';
  return {
    system,
    loads: libraryFor(system).filter(({ id }) => ids.includes(id)),
    requiredRuntimeH: 24,
    season: 'winter',
    solarW: 0,
    ...rest,
  };
};
const anyQuestion = fc
  .record({
    system: fc.constantFrom(...supplySystems),
    requiredRuntimeH: fc.double({ min: 1, max: 200, noNaN: true }),
    season: fc.constantFrom(...seasons),
    solarW: fc.constantFrom(0, 3000, 12_000),
    picks: fc.uniqueArray(fc.nat(50), { minLength: 1, maxLength: 12 }),
  })
  .map(({ picks, ...rest }): QuickQuestion => {
    const all = libraryFor(rest.system);
    return { ...rest, loads: picks.map((at) => all[at % all.length]!) };
  });

describe('a quick answer', () => {
  it('lasts as the trade has it in its head: 10 kWh, two hours at 5 kW, five to seven at 1.5 to 2 kW (common practice, no source)', () => {
    expect(hoursAt(10_000, 5000)).toBeGreaterThan(1.6);
    expect(hoursAt(10_000, 5000)).toBeLessThan(2.1);
    expect(hoursAt(10_000, 1500)).toBeGreaterThan(5);
    expect(hoursAt(10_000, 1500)).toBeLessThan(7);
    expect(hoursAt(10_000, 2000)).toBeGreaterThan(4);
  });

  it('names no load, no answer', () => {
    expect(quickAnswer(question({ ids: [] }))).toBeNull();
  });

  it('has ranges that are ranges, and a job to begin with', () => {
    fc.assert(
      fc.property(anyQuestion, (asked) => {
        const { energyWh, powerVA, plan, small } = quickAnswer(asked)!;
        expect(energyWh.from).toBeLessThanOrEqual(energyWh.to + 1e-6);
        expect(powerVA.from).toBeLessThanOrEqual(powerVA.to + 1e-6);
        expect(isValid(plan)).toBe(true);
        expect(plan.backup.kept).toHaveLength(asked.loads.length);
        expect(small.carries.length + small.givesWay.length).toBe(asked.loads.length);
      }),
      { numRuns: 40 },
    );
  });

  it('is what the job asks for that begins with it', () => {
    const { plan, energyWh } = quickAnswer(question())!;
    expect(requiredNameplateFigure(demandContextOf(plan), 'lithium').value).toBe(energyWh.to);
  });

  it('sun never makes it larger, and never does without the night', () => {
    const dark = quickAnswer(question({ requiredRuntimeH: 72 }))!;
    const sunny = quickAnswer(question({ requiredRuntimeH: 72, solarW: 50_000 }))!;
    const night = quickAnswer(question({ requiredRuntimeH: 14 }))!;
    expect(sunny.energyWh.from).toBeLessThan(dark.energyWh.from);
    expect(sunny.energyWh.from).toBeCloseTo(night.energyWh.from, 6);
    expect(sunny.energyWh.to).toBe(dark.energyWh.to);
  });

  it('a small inverter keeps what must stay on, and the large loads give way with a reason', () => {
    const { plan } = quickAnswer(
      question({ ids: ['fridge', 'router', 'lights-living', 'range-electric', 'ac-central'] }),
    )!;
    const { carries, givesWay } = smallInverter('split-120-240', plan.loads);
    expect(carries.map(({ name }) => name)).toContain('Refrigerator, efficient');
    expect(givesWay.map(({ load, because }) => [load.name, because])).toEqual([
      ['Central air conditioning, single speed', 'starts too hard'],
      ['Electric range', 'runs above its power'],
    ]);
  });
});
