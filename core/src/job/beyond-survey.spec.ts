import { describe, expect, it } from 'vitest';
import { beyondSurvey } from './beyond-survey.js';
import { demoJobs } from './demo-jobs.js';

const [{ job }] = demoJobs as [(typeof demoJobs)[0]];

describe('what goes beyond a survey', () => {
  it('is nothing where house, loads and photos are entered', () => {
    expect(beyondSurvey(job, job)).toEqual([]);
    expect(
      beyondSurvey(job, {
        ...job,
        loads: job.loads.slice(1),
        survey: { ...job.survey, panels: job.survey.panels.slice(0, 1) },
        equipmentList: { ...job.equipmentList, kept: [] },
      }),
    ).toEqual([]);
  });

  it('is named where a designer decides', () => {
    const [design] = job.designs as [(typeof job.designs)[0]];
    expect(
      beyondSurvey(job, {
        ...job,
        brief: { ...job.brief, designSeason: 'summer' },
        code: { ...job.code, packId: 'iec' },
        equipmentList: { ...job.equipmentList, revision: 99 },
        designs: [
          { ...design, sources: { ...design.sources, arrays: [] } },
          { ...design, id: 'another' },
        ],
      }),
    ).toEqual(['the brief', 'the list of equipment', 'the rules', 'the sources', 'the designs']);
  });
});
