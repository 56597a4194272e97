import { describe, expect, it } from 'vitest';
import type { HousesRunAnswers, IslandAnswer } from '@levamen/core/api';
import { houseCounts, houseRows, questionText } from './house-rows';

const island = (more: Partial<IslandAnswer>): IslandAnswer => ({
  name: 'Main panel',
  years: 5,
  held: 5,
  meanH: 72,
  leastH: 72,
  cause: 'none',
  lowestCharge: 0.4,
  startCharge: 1,
  usableWh: 20_000,
  wantedWhPerDay: 15_000,
  sunWhPerDay: 900,
  ...more,
});
const house = (name: string, islands: IslandAnswer[], problem = ''): HousesRunAnswers['answers'][number] => ({
  jobId: `00000000-0000-4000-8000-${name.padStart(12, '0')}`,
  name,
  place: 'Somewhere',
  answer: { revision: 1, islands, problem },
});
const answers = [
  house('1', [island({})]),
  house('2', [island({ held: 2, meanH: 60, leastH: 41, cause: 'empty' })]),
  house('3', [island({ held: 0, meanH: 30, leastH: 9.5, cause: 'overload-l1', lowestCharge: 0 })]),
  house('4', [island({}), island({ name: 'Barn', held: 0, meanH: 20, leastH: 18, cause: 'fuel' })]),
  house('5', [], 'Main panel: no equipment is chosen.'),
];

describe('answers of houses', () => {
  it('stand the worst first; those that cannot say before those that hold', () => {
    expect(houseRows({ answers }).map(({ name, island: of, verdict }) => [name, of, verdict])).toEqual([
      ['4', 'Barn', 'fails'],
      ['3', '', 'fails'],
      ['2', '', 'tight'],
      ['5', '', 'unknown'],
      ['1', '', 'holds'],
      ['4', 'Main panel', 'holds'],
    ]);
  });

  it('say how long, why, and what was wanted', () => {
    const rows = houseRows({ answers });
    expect(rows[1]).toMatchObject({
      lit: '30 h',
      least: '9.5 h at least',
      why: 'overload on L1',
      lowestCharge: '0 %',
      wanted: '15 kWh',
      sun: '900 Wh',
    });
    expect(rows[4]).toMatchObject({ lit: 'to the end', least: '', why: '' });
    expect(rows[3]).toMatchObject({ lit: '', problem: 'Main panel: no equipment is chosen.' });
  });

  it('are counted by house: its worst island counts', () => {
    expect(houseCounts({ answers })).toEqual({ fails: 2, tight: 1, unknown: 1, holds: 1 });
    expect(
      houseCounts({ answers: [house('6', [island({})], 'Barn: no equipment is chosen.')] }),
    ).toMatchObject({
      unknown: 1,
      holds: 0,
    });
  });
});

describe('a question in words', () => {
  const asked = {
    from: '2026-11-29T18:00:00Z',
    hours: 72,
    startCharge: null,
    days: [],
    states: ['operating' as const],
  };
  it('names charge and weather, days that are alike once', () => {
    expect(questionText(asked, 'en-US')).toMatch(/^72 h from (29|30) Nov, \d\d:00, charged as designed$/);
    const dull = { outdoorC: -4, sky: 'dull' as const };
    expect(questionText({ ...asked, startCharge: 0.8, days: [dull, dull] }, 'en-US')).toMatch(
      /charged to 80 %; dull −4 °C$/,
    );
    const days = [dull, { outdoorC: null, sky: null }];
    expect(questionText({ ...asked, days }, 'en-US')).toMatch(/; dull −4 °C, as usual$/);
  });
});
