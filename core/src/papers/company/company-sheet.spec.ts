import { describe, expect, it } from 'vitest';
import { companySheetSchema, emptyCompanySheet } from './company-sheet.schema.js';
import { nextLetter, paperNumber, revisionLetter } from './paper-number.js';

describe('the company sheet', () => {
  it('refuses steps of payment that are not the whole price, and a scheme without a number', () => {
    const of = (change: object): string =>
      companySheetSchema.safeParse({ ...emptyCompanySheet(), ...change }).error?.issues[0]?.message ?? '';
    expect(of({ payments: [{ id: 'a', when: 'First', share: 0.4 }] })).toContain('40 %');
    expect(of({ numberScheme: '{year}' })).toContain('{number}');
    expect(of({ payments: [] })).toBe('');
  });
});

describe('numbers of papers', () => {
  it('follow the scheme; revisions go on after Z', () => {
    expect(paperNumber('L-{year}/{number}', 2026, 17)).toBe('L-2026/0017');
    expect([0, 1, 25, 26, 27, 701, 702].map(revisionLetter)).toEqual([
      'A',
      'B',
      'Z',
      'AA',
      'AB',
      'ZZ',
      'AAA',
    ]);
    for (let index = 0; index < 800; index += 1)
      expect(nextLetter(revisionLetter(index))).toBe(revisionLetter(index + 1));
  });
});
