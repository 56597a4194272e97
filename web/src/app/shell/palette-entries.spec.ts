import { builtInCatalogue } from '@levamen/core/equipment';
import { evaluatePlan } from '@levamen/core/study';
import { demoPlans } from '@levamen/core/design';
import { describe, expect, it } from 'vitest';
import { findEntries, paletteEntries } from './palette-entries';
import { stages } from '../stages/stages';

const { plan } = demoPlans[0]!;
const entries = paletteEntries(stages, plan, evaluatePlan(plan, builtInCatalogue));

describe('the command palette', () => {
  it('holds stages, actions, every load and the figures', () => {
    const of = (group: string) => entries.filter((entry) => entry.group === group).length;
    expect(of('Stage')).toBe(stages.length);
    expect(of('Load')).toBe(plan.loads.length);
    expect(of('Figure')).toBeGreaterThan(20);
    expect(new Set(entries.map(({ id }) => id)).size).toBe(entries.length);
  });
  it('finds by words in any order, beginnings first', () => {
    expect(findEntries(entries, 'pump well')[0]?.label).toBe('Well pump, 1½ hp');
    expect(findEntries(entries, 'loads')[0]?.group).toBe('Stage');
    expect(findEntries(entries, 'nothing like this')).toEqual([]);
    expect(findEntries(entries, '').length).toBeLessThanOrEqual(40);
  });
  it('works without an evaluation', () => {
    expect(paletteEntries(stages, plan, null).some(({ group }) => group === 'Figure')).toBe(false);
  });
});

describe('completeness of stages', () => {
  it('counts what is known for certain', () => {
    const of = Object.fromEntries(stages.map(({ path, completeness }) => [path, completeness(plan)]));
    expect(of['brief']!.done).toBeLessThanOrEqual(of['brief']!.of);
    expect(of['usage']).toEqual({ done: 2, of: 3 });
    expect(of['panels']).toEqual({ done: 25, of: 25 });
    expect(of['loads']).toEqual({ done: 3, of: 25 });
    expect(of['sources']).toEqual({ done: 1, of: 1 });
  });
});
