import { HttpErrorResponse } from '@angular/common/http';
import { demoJobs, newJob } from '@levamen/core/job';
import { patchMisfit, patchSchema, saveRequestSchema } from '@levamen/core/api';
import jsonPatch from 'fast-json-patch';
import { describe, expect, it } from 'vitest';
import { bodyOf, problemText, unreadableJob, wantsWhole } from './jobs-api';

const { job } = demoJobs[0]!;
const attempt = { baseRevision: 4, saveId: '00000000-0000-4000-8000-000000000001', supersedes: [] };
const answered = (status: number, error: unknown): HttpErrorResponse =>
  new HttpErrorResponse({ status, error });

describe('what a save sends', () => {
  it('is what is different from the revision it builds on, and gives the document again', () => {
    const added = { ...job.loads[0]!, id: 'added' };
    const changed = {
      ...job,
      name: 'Other',
      loads: [...job.loads, added].with(3, { ...job.loads[3]!, quantity: 7 }),
    };
    const body = saveRequestSchema.parse(bodyOf({ ...attempt, base: job, document: changed }));
    expect(body.document).toBeUndefined();
    const patch = patchSchema.parse(body.patch);
    expect(jsonPatch.applyPatch(structuredClone(job), patch as never).newDocument).toEqual(changed);
  });

  it('of one field is a few hundred bytes, so that it fits into a request that outlives the page', () => {
    const changed = { ...job, brief: { ...job.brief, notes: 'Dog in the yard' } };
    const body = JSON.stringify(bodyOf({ ...attempt, base: job, document: changed }));
    expect(body.length).toBeLessThan(400);
    expect(body).not.toContain('"base"');
  });

  it('is the whole document where there is no base, or where that is shorter', () => {
    expect(bodyOf({ ...attempt, base: null, document: job })).toEqual({ ...attempt, document: job });
    // Every place behind the first load moves up.
    const shorter = { ...job, loads: job.loads.slice(1) };
    expect(bodyOf({ ...attempt, base: job, document: shorter })).toEqual({ ...attempt, document: shorter });
  });
});

describe('what went wrong, in words', () => {
  it.each([
    [answered(0, null), 'The server does not answer'],
    [answered(503, { detail: 'The database is starting.' }), 'The database is starting.'],
    [answered(503, '{"detail":"As text."}'), 'As text.'],
    [answered(418, 'no json'), 'The server answered 418.'],
    [
      answered(422, { detail: 'Enter a name', problems: [{ path: 'name', message: 'x' }] }),
      'Enter a name (at name)',
    ],
    [answered(409, { detail: 'Saved elsewhere', theirs: {}, base: null }), 'Saved elsewhere'],
    [new Error('anything'), 'Something unexpected happened'],
  ])('%#', (error, words) => {
    expect(problemText(error)).toContain(words);
  });

  it('tells a patch that does not fit from other refusals', () => {
    expect(wantsWhole(answered(422, { title: patchMisfit }))).toBe(true);
    expect(wantsWhole(answered(422, { title: 'Not a valid job' }))).toBe(false);
    expect(wantsWhole(answered(500, { title: patchMisfit }))).toBe(false);
    expect(wantsWhole(answered(422, null))).toBe(false);
  });

  it('knows a job that is kept and cannot be read', () => {
    const body = {
      type: 'about:blank',
      title: 'x',
      status: 422,
      detail: 'y',
      unreadable: {
        revision: 3,
        name: 'Old',
        lastReadable: 2,
        mended: { document: newJob('Old'), places: ['site'] },
      },
    };
    expect(unreadableJob(answered(422, body))?.unreadable.lastReadable).toBe(2);
    expect(unreadableJob(answered(422, JSON.stringify(body)))?.unreadable.name).toBe('Old');
    expect(unreadableJob(answered(404, body))).toBeNull();
    expect(unreadableJob(answered(422, { detail: 'else' }))).toBeNull();
  });
});
