import { listedPointsOf, movementText } from '@levamen/core/checks';
import { builtInCatalogue } from '@levamen/core/equipment';
import { type Job, planOf } from '@levamen/core/job';
import { inWordsOf, placeLocale } from '@levamen/core/present';
import { evaluatePlan } from '@levamen/core/study';
import type { TableCell } from 'pdfmake/interfaces.js';
import { footWith, makePdf, printable } from '../papers/make-pdf.js';

const caution =
  'What is assumed until somebody has asked, read or measured it. Nothing is opened or switched without a licensed electrician.';

/** The open points of a job as a list to take along, those that matter most first, with room to write. */
export function openPointsPdf(job: Job): Promise<Buffer> {
  const plan = planOf(job);
  const open = listedPointsOf(plan, evaluatePlan(plan, builtInCatalogue)).filter(({ done }) => !done);
  const { client, address, contact } = plan.parties;
  const who = [client, address, contact].filter((text) => text !== '').join(' · ');
  const head = (text: string): TableCell => ({ text, style: 'head' });
  const words = (text: string): string => printable(inWordsOf(placeLocale(plan.supply.system), text));
  return makePdf({
    info: { title: `${job.name}: open points` },
    content: [
      { text: printable(`${job.name}: open points`), style: 'title' },
      {
        text: printable(who || plan.site.place || 'Client and address not said'),
        style: 'soft',
        margin: [0, 2, 0, 10],
      },
      {
        layout: 'lightHorizontalLines',
        table: {
          headerRows: 1,
          widths: [12, '*', 75, 60, 110],
          dontBreakRows: true,
          body: [
            ['', 'What is open', 'Who', 'By', 'Found'].map(head),
            ...open.map(({ text, find, movement, who: finder, dueOn }): TableCell[] => [
              // A box to tick.
              { canvas: [{ type: 'rect', x: 0, y: 1, w: 8, h: 8, lineWidth: 0.7 }] },
              {
                stack: [
                  { text: words(text), bold: true },
                  ...(find === '' ? [] : [{ text: words(find) }]),
                  ...(movement === null ? [] : [{ text: printable(movementText(movement)), style: 'soft' }]),
                ],
              },
              printable(finder),
              dueOn ?? '',
              '',
            ]),
          ],
        },
      },
    ],
    footer: footWith(caution),
  });
}
