import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../catalogue/built-in-catalogue.js';
import { demoJobs } from '../demo/demo-jobs.js';
import { dayParts } from '../load/load.schema.js';
import { seasons } from '../weather/season.js';
import { evaluateJob } from './evaluate-job.js';
import { partMargins } from './part-margins.js';

describe('the margins of each part of the day', () => {
  it('have those of the strip as their worst', () => {
    for (const { job } of demoJobs) {
      const { context, selected, margins } = evaluateJob(job, builtInCatalogue);
      const all = seasons.flatMap((season) => {
        const parts = partMargins(context, selected!.stack, season);
        return dayParts.flatMap((part) => parts[part]);
      });
      for (const key of ['continuous', 'starting', 'legs']) {
        const worst = Math.max(...all.filter((margin) => margin.key === key).map(({ ratio }) => ratio));
        expect(worst, key).toBeCloseTo(margins.find((margin) => margin.key === key)!.ratio, 9);
      }
    }
  });
});
