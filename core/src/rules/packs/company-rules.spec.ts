import { describe, expect, it } from 'vitest';
import { companyDifference, withRules } from './company-rules.js';
import { rule, type Rule } from './rule.schema.js';

const aRule = (id: string, holds = 'spaces >= 12'): Rule =>
  rule({ id, on: 'panel', name: id, holds, severity: 'consider', says: ['{name}'] });

describe('rules of a job and of its company', () => {
  const [a, b, c] = [aRule('own.a'), aRule('own.b'), aRule('own.c')];

  it('differ by what only one has, and by what they have otherwise', () => {
    const changed = aRule('own.b', 'spaces >= 20');
    const { toTake, toKeep } = companyDifference([a, changed], [b, c]);
    expect(toTake.map(({ id }) => id)).toEqual(['own.b', 'own.c']);
    expect(toKeep).toEqual([a, changed]);
  });

  it('taken, or kept, differ in nothing any more that was taken', () => {
    const ofJob = withRules([a, aRule('own.b', 'spaces >= 20')], [b, c]);
    expect(ofJob).toEqual([a, b, c]);
    expect(companyDifference(ofJob, [b, c])).toEqual({ toTake: [], toKeep: [a] });
  });
});
