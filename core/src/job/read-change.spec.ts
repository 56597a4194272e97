import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoJobs } from './demo-jobs.js';
import type { Job } from './job.schema.js';
import { readChange } from './read-change.js';
import { readJob } from './read-job.js';
import { runs } from '../base/testing/runs.js';

const read = readJob(demoJobs[0]!.job);
if (!read.ok) throw new Error('The demo job is valid');
const before: Job = read.job;

/** Every place in a document, as a path. */
function placesOf(value: unknown, path: readonly (string | number)[] = []): (readonly (string | number)[])[] {
  if (typeof value !== 'object' || value === null) return [path];
  const entries = Array.isArray(value) ? value.map((item, i) => [i, item] as const) : Object.entries(value);
  return [path, ...entries.flatMap(([key, item]) => placesOf(item, [...path, key]))];
}
const places = placesOf(before).filter((path) => path.length > 0);

const text = JSON.stringify(before);

const changed = (path: readonly (string | number)[], value: unknown): unknown => {
  const copy = JSON.parse(text) as Record<string | number, unknown>;
  const parent = path.slice(0, -1).reduce((node, key) => node[key] as typeof copy, copy);
  const last = path.at(-1)!;
  if (value === undefined) {
    if (Array.isArray(parent)) parent.splice(Number(last), 1);
    else Reflect.deleteProperty(parent, last);
  }
  // As it is sent: a number written as JSON has no negative zero.
  else parent[last] = JSON.parse(JSON.stringify(value)) as unknown;
  return copy;
};

describe('reading a change', () => {
  it('does not trip over what has no text', () => {
    const document = changed(['loads', 13, 'id'], { toString: 0 });
    expect(readChange(before, document)).toEqual(readJob(document));
  });

  it('says of any mutated job what reading the whole says', () => {
    const value = fc.oneof(
      fc.jsonValue({ maxDepth: 1 }),
      fc.constant(undefined),
      fc.constantFrom(0, 1, -1, 1e9, '', 'L1', 'x'),
    );
    fc.assert(
      fc.property(fc.constantFrom(...places), value, (path, put) => {
        const document = changed(path, put);
        const [change, whole] = [readChange(before, document), readJob(document)];
        expect(change.ok, path.join('.')).toBe(whole.ok);
        if (change.ok && whole.ok) expect(change.job).toEqual(whole.job);
        else if (!change.ok && !whole.ok) expect(change.problems).toEqual(whole.problems);
      }),
      runs(1500),
    );
  }, 1_800_000);

  it('takes older versions and refuses foreign documents as reading the whole does', () => {
    for (const document of [null, [], 'text', {}, { ...before, version: 99 }, { ...before, extra: 1 }]) {
      expect(readChange(before, document)).toEqual(readJob(document));
    }
  });

  it('does not validate again what did not change', () => {
    const change = readChange(before, { ...before, name: 'Another' });
    expect(change.ok && change.job.loads[0]).toBe(before.loads[0]);
  });
});
