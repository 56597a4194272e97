import { readFileSync } from 'node:fs';
import { Ajv2020 } from 'ajv/dist/2020.js';
import addFormats from 'ajv-formats';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoJobs } from './demo-jobs.js';
import { aJob } from './testing/a-job.js';
import { aLoad, arbitraryLoad } from '../house/testing/loads.js';
import { applyDifference } from './apply-difference.js';
import { diffJobs } from './diff-jobs.js';
import { jobJsonSchema } from './job-json-schema.js';
import { type Job, jobVersion } from './job.schema.js';
import { newJob } from './new-job.js';
import { readJob } from './read-job.js';

const copy = <T>(value: T): T => structuredClone(value);
const firstProblem = (document: unknown) => {
  const read = readJob(document);
  return read.ok ? null : read.problems[0]!;
};

describe('reading a job', () => {
  it('takes what it made', () => {
    for (const { job } of demoJobs)
      expect(readJob(JSON.parse(JSON.stringify(job)))).toEqual({ ok: true, job });
    expect(readJob(newJob('New')).ok).toBe(true);
  });

  it.each([
    [null, '', 'one JSON object'],
    [[], '', 'one JSON object'],
    ['text', '', 'one JSON object'],
    [{}, 'format', 'not made by Levamen'],
    [{ format: 'another-program', version: 1 }, 'format', 'not made by Levamen'],
    [{ format: 'levamen-job' }, 'version', 'does not say its version'],
    [{ format: 'levamen-job', version: 1.5 }, 'version', 'does not say its version'],
    [{ format: 'levamen-job', version: jobVersion + 1 }, 'version', 'newer Levamen'],
  ])('refuses %j at “%s”', (document, path, words) => {
    expect(firstProblem(document)).toMatchObject({ path, message: expect.stringContaining(words) as string });
  });

  it.each([
    ['brief.requiredRuntimeH', -1, 'Enter at least 0.5 h'],
    ['brief.requiredRuntimeH', 1e9, 'Enter at most 720 h'],
    ['brief.requiredRuntimeH', 'soon', 'Enter a number'],
    ['brief.goals.outage', 'maybe', 'Choose one of'],
    ['site.timeZone', 'Mars/Olympus', 'Use a time zone name'],
    ['supply.frequencyHz', 55, 'Choose 50 or 60 Hz'],
    ['name', '', 'Enter a name'],
    ['name', 'a\u0000b', 'Remove line breaks and control characters'],
    ['name', '\ud800', 'Remove line breaks'],
    ['loads.0.runningPowerW', Number.NaN, 'Enter a number'],
    ['loads.0.legs', 'L3', 'This supply has no L3'],
    ['loads.0.start', { how: 'magic' }, ''],
  ])('says what to change at %s = %j', (path, value, words) => {
    const document = copy(aJob([aLoad()])) as unknown as Record<string, unknown>;
    const keys = path.split('.');
    const parent = keys.slice(0, -1).reduce((node, key) => node[key] as Record<string, unknown>, document);
    parent[keys.at(-1)!] = value;
    const problem = firstProblem(document);
    expect(problem?.path.startsWith(path)).toBe(true);
    expect(problem?.message).toContain(words);
  });

  it('takes hostile text as text', () => {
    const name = '<img src=x onerror=alert(1)> "; DROP TABLE job; -- \u202e😀';
    expect(readJob({ ...aJob([aLoad({ name: name.slice(0, 80) })]), name })).toMatchObject({ ok: true });
  });

  it('refuses unknown fields, twins and too many loads', () => {
    expect(firstProblem({ ...newJob('x'), surprise: 1 })?.message).toContain('surprise');
    expect(firstProblem({ ...newJob('x'), loads: [aLoad(), aLoad()] })?.message).toContain(
      'share the identifier',
    );
    const crowd = Array.from({ length: 10_000 }, (_, i) => aLoad({ id: `l${i}` }));
    expect(firstProblem(aJob(crowd))?.message).toBe('A job holds at most 500 loads');
  });

  it('never throws, whatever it is given', () => {
    fc.assert(fc.property(fc.jsonValue(), (document) => typeof readJob(document).ok === 'boolean'));
    fc.assert(
      fc.property(
        fc.jsonValue(),
        fc.constantFrom('brief', 'site', 'loads', 'supply', 'designs', 'name'),
        (value, key) => {
          const read = readJob({ ...newJob('x'), [key]: value });
          expect(read.ok || read.problems.length > 0).toBe(true);
        },
      ),
    );
  });
});

describe('the published JSON Schema', () => {
  // strict mode is off for the annotations JSON Schema 2020-12 allows; ajv is the reference implementation here.
  const ajv = new Ajv2020({ strict: false, allErrors: true });
  addFormats.default(ajv);
  const validate = ajv.compile(jobJsonSchema());

  it('is the one that is published', () => {
    const published: unknown = JSON.parse(
      readFileSync(new URL('../../../docs/levamen-job.schema.json', import.meta.url), 'utf8'),
    );
    expect(published).toEqual(JSON.parse(JSON.stringify(jobJsonSchema())));
  });

  it('takes the demo jobs', () => {
    for (const { job } of demoJobs)
      expect(validate(JSON.parse(JSON.stringify(job))), JSON.stringify(validate.errors)).toBe(true);
  });

  it('refuses what the program refuses', () => {
    expect(validate({ ...newJob('x'), surprise: 1 })).toBe(false);
    expect(validate({ ...newJob('x'), name: '' })).toBe(false);
    expect(validate({ ...newJob('x'), version: 1 })).toBe(false);
  });

  it('takes whatever valid loads there are', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(arbitraryLoad('three-230-400'), { maxLength: 5, selector: ({ id }) => id }),
        (loads) => {
          const job: Job = { ...newJob('x', 'three-230-400'), loads };
          expect(readJob(job).ok).toBe(true);
          expect(validate(job)).toBe(true);
        },
      ),
    );
  });
});

describe('differences between two versions', () => {
  const base = aJob([aLoad({ id: 'a', name: 'Pump' }), aLoad({ id: 'b', name: 'Fridge' })]);

  it('are named by what the user knows', () => {
    const mine = copy(base);
    mine.loads[0]!.runningPowerW = 900;
    mine.brief.requiredRuntimeH = 12;
    const found = diffJobs(mine, base);
    expect(found.map(({ label }) => label)).toEqual([
      'brief › required runtime',
      'loads › Pump › running power',
    ]);
    expect(found[1]).toMatchObject({ mine: 900, theirs: 100 });
  });

  it('are none when only the order of keys differs', () => {
    const reordered = Object.fromEntries(Object.entries(base).reverse());
    expect(diffJobs(base, reordered)).toEqual([]);
  });

  it('show a load only one side has as one difference', () => {
    const theirs = { ...base, loads: [base.loads[0]!, aLoad({ id: 'c', name: 'Boiler' })] };
    const found = diffJobs(base, theirs);
    expect(found.map(({ label }) => label)).toEqual(['loads › Fridge', 'loads › Boiler']);
    expect(found[0]!.theirs).toBeUndefined();
  });

  it('applied one after the other turn mine into theirs', () => {
    const withLoads = (loads: Job['loads'], hours: number | null): Job => ({
      ...newJob('x'),
      loads,
      brief: { ...newJob('x').brief, requiredRuntimeH: hours },
    });
    const loads = fc.uniqueArray(
      fc
        .tuple(fc.constantFrom('a', 'b', 'c', 'd'), arbitraryLoad('split-120-240'))
        .map(([id, load]) => ({ ...load, id })),
      { maxLength: 4, selector: ({ id }) => id },
    );
    const hours = fc.option(fc.integer({ min: 1, max: 99 }));
    fc.assert(
      fc.property(loads, hours, loads, hours, (a, aHours, b, bHours) => {
        const mine = withLoads(a, aHours);
        const theirs = withLoads(b, bHours);
        const merged = diffJobs(mine, theirs).reduce(applyDifference, mine);
        expect(diffJobs(merged, theirs)).toEqual([]);
      }),
    );
  });
});
