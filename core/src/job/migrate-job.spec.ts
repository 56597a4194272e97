import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../equipment/index.js';
import { evaluatePlan } from '../study/index.js';
import { demoJobs } from './demo-jobs.js';
import { jobVersion, type Job } from './job.schema.js';
import { readJob } from './read-job.js';

type Saved = Record<string, unknown> & Pick<Job, 'name' | 'loads' | 'brief'>;

/** The farmhouse of the demo exactly as the program of each version wrote it; these files never change. */
const golden = (version: number): Saved =>
  JSON.parse(
    readFileSync(new URL(`./testing/golden/job-v${version}.json`, import.meta.url), 'utf8'),
  ) as Saved;
const read = (saved: unknown): Job => {
  const result = readJob(saved);
  if (!result.ok) throw new Error(JSON.stringify(result.problems[0]));
  return result.job;
};
const earlier = Array.from({ length: jobVersion - 1 }, (_, index) => index + 1);

describe.each(earlier)('a job as version %i wrote it', (version) => {
  it('says its version, and is read as the present one', () => {
    const saved = golden(version);
    expect(saved['version']).toBe(version);
    const job = read(saved);
    expect(job.version).toBe(jobVersion);
    expect(job.name).toBe(saved.name);
  });

  it('keeps every load and what was said of it', () => {
    const saved = golden(version);
    const job = read(saved);
    expect(job.loads.map(({ id }) => id)).toEqual(saved.loads.map(({ id }) => id));
    for (const [index, load] of saved.loads.entries()) {
      const { legs: _legs, legsAssumed: _assumed, inBackupSet: _set, ...said } = load;
      // Legs and backup set follow circuits and lanes once there are some.
      expect(job.loads[index]).toMatchObject(said);
    }
    expect(job.brief).toMatchObject(saved.brief);
  });

  it('read, written and read again is the same', () => {
    const job = read(golden(version));
    expect(read(JSON.parse(JSON.stringify(job)))).toEqual(job);
  });

  it('can be worked on: it has margins with figures', () => {
    const { margins } = evaluatePlan(read(golden(version)), builtInCatalogue);
    expect(margins.length).toBeGreaterThan(4);
    for (const { demand, limit } of margins) expect(Number.isFinite(demand.value + limit.value)).toBe(true);
  });

  it('is not changed by being read', () => {
    const saved = golden(version);
    const before = structuredClone(saved);
    read(saved);
    expect(saved).toEqual(before);
  });
});

describe('the early version 4', () => {
  it('lacked the weather of the brief, which is now not said', () => {
    const saved = golden(4);
    expect(saved.brief).not.toHaveProperty('outageWeather');
    expect(read(saved).brief.outageWeather).toBeNull();
  });
});

describe('the present version', () => {
  it('leaves the demo jobs as they are', () => {
    for (const { job } of demoJobs) expect(read(job)).toEqual(job);
  });
});
