import { describe, expect, it } from 'vitest';
import { splitRows } from './split-rows';

describe('rows of a list as they were copied', () => {
  it.each([
    ['tabs', '2026-01-01\t2026-02-01\t1,250', ['2026-01-01', '2026-02-01', '1,250']],
    ['blanks', '2026-01-01 2026-02-01 1,250', ['2026-01-01', '2026-02-01', '1,250']],
    ['blanks and a unit', '1/2/2026   2/3/2026  1,250 kWh', ['1/2/2026', '2/3/2026', '1,250 kWh']],
    ['semicolons', '01.01.2026;01.02.2026;1.250,5', ['01.01.2026', '01.02.2026', '1.250,5']],
    ['commas', '2026-01-01,2026-02-01,950,120', ['2026-01-01', '2026-02-01', '950', '120']],
    ['commas after times', '2026-01-05 18:00, 3:20', ['2026-01-05 18:00', ' 3:20']],
    ['commas after instants', '2026-01-05T18:00:00Z,95 min', ['2026-01-05T18:00:00Z', '95 min']],
    ['blanks and times', '1/5/2026 6:00 pm  95 min', ['1/5/2026 6:00 pm', '95 min']],
    ['commas and quotes', '2026-01-01,2026-02-01,"1,250"', ['2026-01-01', '2026-02-01', '1,250']],
  ])('%s', (_, text, cells) => {
    expect(splitRows(text)).toEqual([cells]);
  });

  it('keeps the numbers of the lines', () => {
    expect(splitRows('2026-01-01 900\n\n2026-02-01 950')).toHaveLength(3);
  });
});
