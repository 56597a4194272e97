import { describe, expect, it } from 'vitest';
import { daysOf } from './history-days';

const entry = (revision: number, savedAt: string, labels: string[], actor = '', count = labels.length) => ({
  revision,
  savedAt,
  actor,
  device: 'tablet',
  changes: { count, labels },
});
const entries = [
  entry(4, new Date(2026, 1, 3, 9).toISOString(), ['loads › Pump › name'], 'Zoë', 3),
  entry(3, new Date(2026, 1, 3, 8).toISOString(), []),
  entry(2, new Date(2026, 1, 2, 8).toISOString(), ['brief › notes'], 'Max'),
  entry(1, new Date(2026, 1, 2, 7).toISOString(), []),
];

describe('the history by day', () => {
  it('is newest first, in words', () => {
    expect(daysOf(entries, '').map(({ rows }) => rows.map(({ changes }) => changes))).toEqual([
      ['loads › Pump › name and 2 more', 'nothing noted'],
      ['brief › notes', 'the job as it began'],
    ]);
  });

  it('is searched by what changed, who and where', () => {
    const found = (text: string) =>
      daysOf(entries, text).flatMap(({ rows }) => rows.map((row) => row.entry.revision));
    expect([found('pump'), found(' MAX '), found('tablet'), found('nowhere')]).toEqual([
      [4],
      [2],
      [4, 3, 2, 1],
      [],
    ]);
  });
});
