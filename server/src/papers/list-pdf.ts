import type { ListPaper } from '@levamen/core/api';
import { makePdf } from './pdf/make-pdf.js';
import { printed } from './pdf/printed.js';

/** A list as PDF: a table with a box to tick before each row. */
export const listPdf = ({ title, head, rows, note }: ListPaper): Promise<Buffer> =>
  makePdf({
    info: { title },
    content: [
      { text: printed(title), style: 'title', margin: [0, 0, 0, 10] },
      {
        layout: 'lightHorizontalLines',
        table: {
          headerRows: 1,
          widths: [14, ...head.map(() => '*')],
          body: [
            ['', ...head].map((text) => ({ text: printed(text), style: 'head' })),
            ...rows.map((row) => [
              { canvas: [{ type: 'rect' as const, x: 0, y: 1, w: 8, h: 8, lineWidth: 0.7 }] },
              ...head.map((_, column) => ({ text: printed(row[column] ?? '') })),
            ]),
          ],
        },
      },
      { text: printed(note), style: 'soft', margin: [0, 10, 0, 0] },
    ],
  });
