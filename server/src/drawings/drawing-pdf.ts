import { type DrawingRequest, drawingSvg, type PaperSize } from '@levamen/core/wiring';
import { coveredWhole } from '../papers/pdf/covered-text.js';
import { makePdf } from '../papers/pdf/make-pdf.js';

const pointsPerMm = 72 / 25.4;
const marginMm = 8;

/** Sheets upright, mm. */
const sheets: Readonly<Record<PaperSize, readonly [number, number]>> = {
  a4: [210, 297],
  a3: [297, 420],
  letter: [215.9, 279.4],
  tabloid: [279.4, 431.8],
};

/** A drawing on one sheet: as large as it fits, lying where it is wider than high; lines stay lines, words stay words. */
export function drawingPdf({ title, paper, drawing }: DrawingRequest): Promise<Buffer> {
  const [short, long] = sheets[paper];
  const lies = drawing.widthMm > drawing.heightMm;
  const [sheetW, sheetH] = lies ? [long, short] : [short, long];
  const room = [(sheetW - 2 * marginMm) * pointsPerMm, (sheetH - 2 * marginMm) * pointsPerMm] as const;
  return makePdf({
    info: { title },
    pageSize: { width: sheetW * pointsPerMm, height: sheetH * pointsPerMm },
    pageMargins: marginMm * pointsPerMm,
    content: [
      { svg: drawingSvg(drawing, 'Roboto', coveredWhole), fit: [room[0], room[1] - 2], alignment: 'center' },
    ],
  });
}
