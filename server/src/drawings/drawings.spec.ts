import { inflateSync } from 'node:zlib';
import { drawingRequestSchema } from '@levamen/core/wiring';
import { describe, expect, it } from 'vitest';
import { drawingPdf } from './drawing-pdf.js';

const item = { layer: 'symbols', about: 'one', place: '' } as const;
const drawing = {
  widthMm: 100,
  heightMm: 60,
  items: [
    {
      kind: 'line',
      ...item,
      points: [
        [0, 0],
        [100, 60],
      ] as const,
      widthMm: 0.5,
      dashed: true,
      closed: false,
    },
    { kind: 'circle', ...item, centre: [50, 30] as const, radiusMm: 4, filled: true },
    {
      kind: 'text',
      ...item,
      layer: 'text',
      at: [10, 10] as const,
      text: '6 AWG Cu <½ in>',
      heightMm: 2.6,
      anchor: 'start',
    },
  ],
} as const;
const request = drawingRequestSchema.parse({ title: 'One line', paper: 'a3', drawing });

/** Everything a PDF draws, as its operators. */
const operatorsOf = (pdf: Buffer): string => {
  const text = pdf.toString('latin1');
  return [...text.matchAll(/stream\r?\n([\s\S]*?)\r?\nendstream/g)]
    .map(([, body]) => {
      try {
        return inflateSync(Buffer.from(body!, 'latin1')).toString('latin1');
      } catch {
        return '';
      }
    })
    .join('\n');
};

describe('a drawing as PDF', () => {
  it('lies on the sheet that was asked for, with lines and words in it and no picture', async () => {
    const pdf = await drawingPdf(request);
    const text = pdf.toString('latin1');
    const [, width, height] = /MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(text)!;
    expect([Number(width), Number(height)].map((points) => Math.round((points / 72) * 25.4))).toEqual([
      420, 297,
    ]);
    expect(text).not.toContain('/Subtype /Image');
    const operators = operatorsOf(pdf);
    expect(operators).toMatch(/ l\n/);
    expect(operators).toMatch(/T[jJ]/);
    expect(text).toContain('Roboto');
  });
  it('stands where it is higher than wide', async () => {
    const pdf = await drawingPdf({
      ...request,
      paper: 'letter',
      drawing: { ...drawing, widthMm: 50, heightMm: 200, items: [...request.drawing.items] },
    });
    const [, width, height] = /MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(pdf.toString('latin1'))!;
    expect(Number(height)).toBeGreaterThan(Number(width));
  });
  it('is refused where it is none', () => {
    for (const broken of [
      { ...request, paper: 'napkin' },
      { ...request, drawing: { ...drawing, items: [{ kind: 'line', ...item }] } },
      { ...request, drawing: { ...drawing, widthMm: Infinity } },
      { ...request, drawing: { ...drawing, items: Array.from({ length: 20_001 }, () => drawing.items[1]) } },
    ])
      expect(drawingRequestSchema.safeParse(broken).success).toBe(false);
  });
});
