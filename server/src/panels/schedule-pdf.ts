import { type PanelSchedule, scheduleColumns } from '@levamen/core/present';
import { makePdf } from '../papers/pdf/make-pdf.js';
import { printed as set } from '../papers/pdf/printed.js';

/** Columns of the printed schedule; the rest is for files. */
const printed = [
  'Space',
  'Half',
  'Breaker A',
  'Poles',
  'Description',
  'Leg',
  'Protection',
  'Conductor',
  'Loads',
  'Connected VA',
] as const;

const wide = new Set([scheduleColumns.indexOf('Description'), scheduleColumns.indexOf('Loads')]);

/** A panel schedule as a page to print. */
export function schedulePdf({ title, facts, rows }: PanelSchedule, caution: string): Promise<Buffer> {
  const columns = printed.map((name) => scheduleColumns.indexOf(name));
  return makePdf({
    info: { title },
    pageOrientation: 'landscape',
    content: [
      { text: set(title), style: 'title' },
      {
        columns: [0, 1].map((half) => ({
          layout: 'noBorders',
          table: {
            body: facts
              .filter((_, index) => index % 2 === half)
              .map(([label, value]) => [{ text: set(label), style: 'soft' }, { text: set(value) }]),
          },
        })),
        margin: [0, 4, 0, 10],
      },
      {
        layout: 'lightHorizontalLines',
        table: {
          headerRows: 1,
          widths: ['auto', 'auto', 'auto', 'auto', '*', 'auto', 'auto', 'auto', '*', 'auto'],
          body: [
            printed.map((name) => ({ text: name, style: 'head' })),
            ...rows.map((row) =>
              columns.map((index) => ({ text: set(String(row[index])), noWrap: !wide.has(index) })),
            ),
          ],
        },
      },
    ],
    footer: (page: number, pages: number) => ({
      columns: [
        { text: set(caution), style: 'foot' },
        { text: `${page} of ${pages}`, style: 'foot', alignment: 'right', width: 50 },
      ],
      margin: [36, 8, 36, 0],
    }),
  });
}
