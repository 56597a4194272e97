import { describe, expect, it } from 'vitest';
import { newJob } from '../job/index.js';
import {
  jobQuerySchema,
  maxSuperseded,
  patchSchema,
  revisionQuerySchema,
  saveRequestSchema,
  whoSchema,
} from './job-api.schema.js';

const id = '00000000-0000-4000-8000-000000000001';
const fails = (schema: { safeParse: (value: unknown) => { success: boolean } }, value: unknown): boolean =>
  !schema.safeParse(value).success;

describe('what the list may be asked for', () => {
  it('has defaults, and reads the text of an address', () => {
    expect(jobQuerySchema.parse({})).toEqual({
      search: '',
      sort: 'changed',
      order: 'down',
      page: 1,
      bin: false,
      state: '',
    });
    expect(
      jobQuerySchema.parse({ page: '3', bin: 'true', sort: 'name', order: 'up', search: 'Höhe' }),
    ).toEqual({
      search: 'Höhe',
      sort: 'name',
      order: 'up',
      page: 3,
      bin: true,
      state: '',
    });
  });

  it.each([
    { page: '0' },
    { page: '1.5' },
    { page: 'x' },
    { sort: 'size' },
    { state: 'lost' },
    { bin: 'perhaps' },
    { search: 'a\u0000' },
  ])('refuses %j', (query) => {
    expect(fails(jobQuerySchema, query)).toBe(true);
  });

  it('bounds what is read of the history', () => {
    expect(revisionQuerySchema.parse({})).toEqual({ limit: 200 });
    expect(revisionQuerySchema.parse({ before: '7', limit: '500' })).toEqual({ before: 7, limit: 500 });
    for (const query of [{ limit: '501' }, { limit: '0' }, { before: '0' }, { before: '3000000000' }])
      expect(fails(revisionQuerySchema, query)).toBe(true);
  });
});

describe('a save', () => {
  const save = { baseRevision: 1, saveId: id, document: newJob('x') };

  it('has the document or a patch, not both and not neither', () => {
    expect(fails(saveRequestSchema, save)).toBe(false);
    const { document, ...bare } = save;
    expect(fails(saveRequestSchema, { ...bare, patch: [] })).toBe(false);
    expect(fails(saveRequestSchema, { ...bare, patch: [], document })).toBe(true);
    expect(fails(saveRequestSchema, bare)).toBe(true);
  });

  it('supersedes nothing unless it says so, and only so much', () => {
    expect(saveRequestSchema.parse(save).supersedes).toEqual([]);
    const many = (count: number) => ({ ...save, supersedes: Array.from({ length: count }, () => id) });
    expect(fails(saveRequestSchema, many(maxSuperseded))).toBe(false);
    expect(fails(saveRequestSchema, many(maxSuperseded + 1))).toBe(true);
    expect(fails(saveRequestSchema, { ...save, supersedes: ['not an id'] })).toBe(true);
  });

  it('names its revision and itself', () => {
    for (const wrong of [
      { baseRevision: 0 },
      { baseRevision: 1.5 },
      { baseRevision: 1e12 },
      { saveId: 'x' },
      { more: 1 },
    ])
      expect(fails(saveRequestSchema, { ...save, ...wrong })).toBe(true);
  });
});

describe('a patch', () => {
  it('adds, removes and replaces; nothing else', () => {
    expect(
      fails(patchSchema, [
        { op: 'add', path: '/a', value: 1 },
        { op: 'remove', path: '/b' },
      ]),
    ).toBe(false);
    for (const op of ['move', 'copy', 'test', ''])
      expect(fails(patchSchema, [{ op, path: '/a', value: 1 }])).toBe(true);
    expect(fails(patchSchema, [{ op: 'add', path: 'x'.repeat(401), value: 1 }])).toBe(true);
    expect(fails(patchSchema, [{ op: 'add', path: '/a', value: 1, from: '/b' }])).toBe(true);
  });
});

describe('who saves', () => {
  it('is a line of text, or nothing', () => {
    expect(fails(whoSchema, { actor: '', device: '' })).toBe(false);
    expect(fails(whoSchema, { actor: 'two\nlines', device: '' })).toBe(true);
    expect(fails(whoSchema, { actor: 'x'.repeat(61), device: '' })).toBe(true);
  });
});
