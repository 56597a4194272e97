import type { Block, Paper } from '@levamen/core/papers';
import { describe, expect, it } from 'vitest';
import { readPdf } from '../../testing/read-pdf.js';
import { paperPdf } from './paper-pdf.js';

const picture: Block = {
  kind: 'drawing',
  on: 'page',
  title: '',
  drawing: {
    widthMm: 150,
    heightMm: 40,
    items: [
      {
        kind: 'text',
        layer: 'text',
        about: '',
        place: '',
        at: [5, 20],
        text: 'portrait',
        heightMm: 5,
        anchor: 'start',
      },
    ],
  },
};
const table: Block = {
  kind: 'table',
  columns: [{ head: 'portrait' }],
  rows: Array.from({ length: 9 }, (_, row) => [`row ${row}`]),
};

/** So many paragraphs, then a heading with words, a smaller one, and what they announce. */
const paperOf = (paragraphs: number, announced: Block): Paper => ({
  kind: 'packet',
  language: 'en',
  title: 'Packet',
  jobName: 'House',
  company: [],
  logo: null,
  caution: 'Careful.',
  scale: 1,
  onOnePage: false,
  missing: [],
  blocks: [
    ...Array.from({ length: paragraphs }, (_, index): Block => ({ kind: 'paragraph', text: `p${index}` })),
    { kind: 'heading', level: 1, text: 'Announced' },
    { kind: 'paragraph', tone: 'soft', text: 'What follows is a picture.' },
    { kind: 'heading', level: 2, text: 'Smaller' },
    announced,
    { kind: 'heading', level: 1, text: 'After' },
    { kind: 'paragraph', text: 'words alone' },
  ],
});

describe('a heading at the foot of a page', () => {
  it.each([
    ['a picture', picture],
    ['a table', table],
  ])('stands on the page of what it announces: %s', async (_, announced) => {
    let turned = 0;
    for (let paragraphs = 18; paragraphs < 44; paragraphs += 1) {
      const stamp = { issued: null, jobRevision: 1, day: '28 November 2026', changes: null };
      const { pages } = await readPdf(await paperPdf(paperOf(paragraphs, announced), 'a4', stamp, null));
      const pageOf = (words: string): number => pages.findIndex(({ text }) => text.includes(words));
      expect([paragraphs, pageOf('Announced'), pageOf('Smaller')]).toEqual([
        paragraphs,
        pageOf('portrait'),
        pageOf('portrait'),
      ]);
      expect(pageOf('After')).toBe(pageOf('words alone'));
      if (pageOf('Announced') === 1) turned += 1;
    }
    // Both pages were seen.
    expect(turned).toBeGreaterThan(2);
    expect(turned).toBeLessThan(26);
  });
});
