import { type PanelSchedule, printedColumns, scheduleColumns, wideColumns } from '@levamen/core/present';
import { makePdf } from '../papers/pdf/make-pdf.js';
import { printed } from '../papers/pdf/printed.js';

/** A panel schedule as a page to print. */
export function schedulePdf({ title, facts, rows }: PanelSchedule, caution: string): Promise<Buffer> {
  const columns = printedColumns.map((name) => scheduleColumns.indexOf(name));
  return makePdf({
    info: { title },
    pageOrientation: 'landscape',
    content: [
      { text: printed(title), style: 'title' },
      {
        columns: [0, 1].map((half) => ({
          layout: 'noBorders',
          table: {
            body: facts
              .filter((_, index) => index % 2 === half)
              .map(([label, value]) => [{ text: printed(label), style: 'soft' }, { text: printed(value) }]),
          },
        })),
        margin: [0, 4, 0, 10],
      },
      {
        layout: 'lightHorizontalLines',
        table: {
          headerRows: 1,
          widths: printedColumns.map((name) => (wideColumns.includes(name) ? '*' : 'auto')),
          body: [
            printedColumns.map((name) => ({ text: name, style: 'head' })),
            ...rows.map((row) =>
              columns.map((index) => ({
                text: printed(String(row[index])),
                noWrap: !wideColumns.includes(scheduleColumns[index]!),
              })),
            ),
          ],
        },
      },
    ],
    footer: (page: number, pages: number) => ({
      columns: [
        { text: printed(caution), style: 'foot' },
        { text: `${page} of ${pages}`, style: 'foot', alignment: 'right', width: 50 },
      ],
      margin: [36, 8, 36, 0],
    }),
  });
}
