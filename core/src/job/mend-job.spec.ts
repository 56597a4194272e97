import { describe, expect, it } from 'vitest';
import { demoJobs } from './demo-jobs.js';
import { changeSupply } from '../design/index.js';
import { mendJob } from './mend-job.js';
import { readJob } from './read-job.js';

const { job } = demoJobs[0]!;

describe('mending a job that is not valid any more', () => {
  it('sets a field back and says where', () => {
    const mended = mendJob({ ...job, brief: { ...job.brief, requiredRuntimeH: -4 } });
    expect(mended?.places).toEqual(['brief.requiredRuntimeH']);
    expect(mended?.job.loads).toEqual(job.loads);
  });

  it('leaves out entries of lists that cannot be read, and what rests on them', () => {
    const [first, ...others] = job.loads;
    const broken = { ...job, loads: [{ ...first, kind: 'unheard of' }, ...others] };
    const mended = mendJob(broken);
    expect(mended?.places).toEqual(['loads.0']);
    expect(mended?.job.loads).toHaveLength(others.length);
  });

  it('gives up on what is no job', () => {
    for (const document of [null, {}, { format: 'levamen-job', version: 99 }])
      expect(mendJob(document)).toBeNull();
    expect(mendJob(job)?.places).toEqual([]);
  });
});

describe('another supply', () => {
  it('takes loads and arrays along to legs it has, and is valid for every supply', () => {
    const withArrays = {
      ...job,
      outage: {
        ...job.outage,
        arrays: job.outage.arrays.map((array) => ({ ...array, legs: 'L1-L2' as const })),
      },
    };
    for (const system of ['single-230', 'three-230-400', 'two-legs-120-208', 'split-120-240'] as const) {
      const changed = changeSupply(withArrays, system);
      expect(readJob(changed).ok).toBe(true);
      if (system === 'single-230') {
        expect(new Set(changed.outage.arrays.map(({ legs }) => legs))).toEqual(
          new Set(withArrays.outage.arrays.map(() => 'L1')),
        );
      }
    }
  });

  it('of a job of version 4 that left its arrays behind is put right when it is read', () => {
    const array = { ...(job.outage.arrays[0] ?? { id: 'a' }), legs: 'L1-L2' };
    const early = {
      ...changeSupply(job, 'single-230'),
      version: 4,
      outage: { ...job.outage, arrays: [array] },
    };
    const read = readJob(early);
    if (job.outage.arrays.length > 0) expect(read.ok && read.job.outage.arrays[0]!.legs).toBe('L1');
  });

  it('of a job of an early version 4 without the weather of the brief is read', () => {
    const { outageWeather: _, ...brief } = job.brief;
    const read = readJob({ ...job, version: 4, brief });
    expect(read.ok && read.job.brief.outageWeather).toBe(null);
  });
});
