import { isDeepStrictEqual } from 'node:util';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../base/testing/runs.js';
import { moveToLane } from '../design/index.js';
import { demoJobs } from './demo-jobs.js';
import { diffJobs } from './diff-jobs.js';
import { changePlan } from './plan-of.js';
import { entriesByIdentity, indexOfIdentity, keyInWords, nameOf, valueAt } from './identity.js';
import { sameValue } from '../base/index.js';

describe('two JSON values', () => {
  it('say the same exactly where Node’s deep comparison says so', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 3 }), fc.jsonValue({ maxDepth: 3 }), (a, b) => {
        // JSON knows no negative zero.
        const [left, right] = [
          JSON.parse(JSON.stringify(a)) as unknown,
          JSON.parse(JSON.stringify(b)) as unknown,
        ];
        expect(sameValue(left, right)).toBe(isDeepStrictEqual(left, right));
        expect(sameValue(left, structuredClone(left))).toBe(true);
      }),
      runs(400),
    );
  });

  it('do so in whatever order their keys stand, and not where a key is missing', () => {
    expect(sameValue({ a: 1, b: [{ c: 2, d: 3 }] }, { b: [{ d: 3, c: 2 }], a: 1 })).toBe(true);
    expect(sameValue({ a: undefined }, { b: undefined })).toBe(false);
    expect(sameValue([1, 2], [2, 1])).toBe(false);
    expect(sameValue([], {})).toBe(false);
    expect(sameValue(null, {})).toBe(false);
  });
});

describe('the identity of things in lists', () => {
  it('is their id, or that of what they speak about; lists of values have none', () => {
    expect([...entriesByIdentity([{ id: 'b' }, { id: 'a' }])!.keys()]).toEqual(['b', 'a']);
    expect([...entriesByIdentity([{ serviceId: 's' }])!.keys()]).toEqual(['s']);
    expect([...entriesByIdentity([{ loadId: 'pump' }])!.keys()]).toEqual(['pump']);
    expect([...entriesByIdentity([{ circuitId: 'c', lane: 'on' }])!.keys()]).toEqual(['c']);
    expect(entriesByIdentity([])!.size).toBe(0);
    expect(entriesByIdentity([1, 2])).toBeNull();
    expect(entriesByIdentity([{ id: 'a' }, { id: 'a' }])).toBeNull();
    expect(entriesByIdentity([{ id: 'a' }, {}])).toBeNull();
  });

  it('finds them wherever they stand', () => {
    const job = { survey: { panels: [{ id: 'p', circuits: [{ id: 'x' }, { id: 'c', name: 'Pump' }] }] } };
    expect(valueAt(job, ['survey', 'panels', 'p', 'circuits', 'c', 'name'])).toBe('Pump');
    expect(valueAt(job, ['survey', 'panels', 'q'])).toBeUndefined();
    expect(valueAt(job, ['survey', 'panels', 'p', 'name', 'x'])).toBeUndefined();
    expect(indexOfIdentity(job.survey.panels[0]!.circuits, 'c')).toBe(1);
    expect(indexOfIdentity(job.survey.panels[0]!.circuits, 'z')).toBe(-1);
  });
});

describe('keys in words', () => {
  it.each([
    ['requiredRuntimeH', 'required runtime'],
    ['surplusSolarWhPerDay', 'surplus solar'],
    ['floorAreaM2', 'floor area'],
    ['runningPowerW', 'running power'],
    ['latitudeDeg', 'latitude'],
    ['name', 'name'],
    ['legs', 'legs'],
    ['handsOn', 'hands on'],
  ])('%s is %s', (key, words) => {
    expect(keyInWords(key)).toBe(words);
  });

  it('name things by the first name there is', () => {
    expect(nameOf(undefined, { name: '' }, { name: 'Pump' }, { name: 'Other' })).toBe('Pump');
    expect(nameOf(null, 7, {})).toBeUndefined();
  });
});

describe('the label of a difference', () => {
  it('names what a design says about a thing by the name of the thing', () => {
    const job = demoJobs[0]!.job;
    const shed = changePlan(job, (plan) =>
      moveToLane(plan, { circuitIds: ['cellar-1'], loadIds: [] }, 'auto'),
    );
    expect(diffJobs(job, shed).map(({ label }) => label)).toEqual([
      'backup › lanes › Refrigerator › lane',
      'backup › lanes › Refrigerator › shed',
    ]);
  });
});
