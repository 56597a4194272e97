import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../catalogue/built-in-catalogue.js';
import type { Job } from '../job/job.schema.js';
import { newJob } from '../job/new-job.js';
import { evaluateJob } from '../sizing/evaluate-job.js';
import { aJob, aLoad } from '../testing/samples.js';

const viewsOf = (job: Job) =>
  Object.fromEntries(evaluateJob(job, builtInCatalogue).demandViews.map((view) => [view.key, view]));

describe('the ways to a power, side by side', () => {
  // Common practice, no source: 8 to 12 kW on a 200 A service.
  it('scale the habit with the service', () => {
    const views = viewsOf(
      aJob([aLoad()], {
        supply: { system: 'split-120-240', frequencyHz: 60, serviceRatingA: 100 },
      }),
    );
    expect([views['rule-of-thumb']?.figure?.value, views['rule-of-thumb']?.upTo?.value]).toEqual([
      4000, 6000,
    ]);
  });

  it('say why one of them does not apply', () => {
    const noService = viewsOf(aJob([aLoad()]));
    expect(noService['rule-of-thumb']).toMatchObject({
      figure: null,
      sizes: 'Enter the service rating in the brief.',
    });
    const european = viewsOf({ ...newJob('x', 'single-230'), loads: [aLoad()] });
    expect(european['optional']?.figure).toBeNull();
    expect(european['optional']?.sizes).toContain('rules of the place');
  });

  it('name the one that sizes the inverter', () => {
    const brief = { ...newJob('x').brief, powerBasis: 'all-at-once' } as const;
    const cycling = viewsOf(aJob([aLoad()]));
    expect(cycling['coincident']?.sizes).toBe('It sizes the inverter here.');
    const together = viewsOf(aJob([aLoad()], { brief }));
    expect(together['coincident']?.figure).toBeNull();
    expect(together['all-at-once']?.sizes).toContain('as the brief asks');
  });

  it('give the code calculation of an empty list: floor area and three circuits', () => {
    const views = viewsOf(aJob([], { site: { ...newJob('x').site, floorAreaM2: 1500 * 0.09290304 } }));
    // 4,500 + 3,000 + 1,500 = 9,000 VA general; all below 10 kVA, so in full (NEC 220.82, recalled).
    expect(views['optional']?.figure?.value).toBeCloseTo(9000, 0);
    // 3,000 at 100 % and 6,000 at 35 % (Table 220.45, recalled): the 5,100 VA of Annex D1(a).
    expect(views['standard']?.figure?.value).toBeCloseTo(5100, 0);
  });
});
