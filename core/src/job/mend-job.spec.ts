import { describe, expect, it } from 'vitest';
import { demoJobs } from './demo-jobs.js';
import { mendJob } from './mend-job.js';

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
    expect(mended?.places).toEqual(['loads.0', 'designs.0.backup.kept.0']);
    expect(mended?.job.loads).toHaveLength(others.length);
  });

  it('gives up on what is no job', () => {
    for (const document of [null, {}, { format: 'levamen-job', version: 99 }])
      expect(mendJob(document)).toBeNull();
    expect(mendJob(job)?.places).toEqual([]);
  });
});
