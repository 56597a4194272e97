import { demoJobs, type Job, readJob } from '@levamen/core/job';
import * as fc from 'fast-check';
import jsonPatch, { type Operation } from 'fast-json-patch';
import { describe, expect, it } from 'vitest';
import { applyPatch } from './apply-patch.js';

const read = readJob(demoJobs[0]!.job);
if (!read.ok) throw new Error('The demo job is valid');
const job: Job = read.job;
const design = job.designs[0]!;
const apply = (patch: readonly Operation[]) => applyPatch(job, patch as never);

describe('a patch', () => {
  it('does what fast-json-patch, a reference implementation of RFC 6902, does', () => {
    const changes = fc.record({
      name: fc.string(),
      loads: fc.shuffledSubarray(job.loads),
      notes: fc.string(),
      powers: fc.array(fc.nat(5000), { minLength: 5, maxLength: 5 }),
      arrays: fc.shuffledSubarray(design.sources.arrays),
    });
    fc.assert(
      fc.property(changes, ({ name, loads, notes, powers, arrays }) => {
        const wanted = {
          ...job,
          name,
          brief: { ...job.brief, notes },
          designs: [{ ...design, sources: { ...design.sources, arrays } }],
          loads: loads.map((load, i) => (i < 5 ? { ...load, runningPowerW: powers[i]! } : load)),
        };
        const patch = jsonPatch.compare(job, wanted);
        expect(apply(patch)).toEqual(wanted);
        expect(apply(patch)).toEqual(jsonPatch.applyPatch(structuredClone(job), patch).newDocument);
      }),
      { numRuns: 60 },
    );
  });

  it('shares what it leaves alone, and leaves the job alone', () => {
    const before = structuredClone(job);
    const changed = apply([{ op: 'replace', path: '/loads/0/name', value: 'Other' }]) as Job;
    expect([changed.loads[1] === job.loads[1], changed.survey === job.survey]).toEqual([true, true]);
    expect(job).toEqual(before);
  });

  // Cases of the RFC (appendix A; recalled): append, escaped keys, places that are not there.
  it('appends at the end and reads escaped keys', () => {
    expect((apply([{ op: 'add', path: '/loads/-', value: 'x' }]) as Job).loads).toHaveLength(
      job.loads.length + 1,
    );
    expect(apply([{ op: 'add', path: '/a~1b~0c', value: 1 }])).toHaveProperty(['a/b~c'], 1);
  });

  it.each([
    '/nowhere/at/all',
    '/loads/999/name',
    '/loads/01',
    '/loads/-',
    '/name/deeper',
    'name',
    '/__proto__/x',
    '/loads/0/constructor',
  ])('that finds no place at %s is refused', (path) => {
    expect(() => apply([{ op: 'replace', path, value: 1 }])).toThrow('Send the whole document');
    expect(() => apply([{ op: 'remove', path }])).toThrow('Send the whole document');
    expect(() => applyPatch(null, [])).toThrow('Send the whole document');
  });
});
