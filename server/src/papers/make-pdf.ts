import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import pdfmake from 'pdfmake';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';

const fonts = join(dirname(createRequire(import.meta.url).resolve('pdfmake/package.json')), 'fonts/Roboto');

pdfmake.setFonts({
  Roboto: {
    normal: join(fonts, 'Roboto-Regular.ttf'),
    bold: join(fonts, 'Roboto-Medium.ttf'),
    italics: join(fonts, 'Roboto-Italic.ttf'),
    bolditalics: join(fonts, 'Roboto-MediumItalic.ttf'),
  },
});
// Documents hold text only: nothing is fetched or read while one is made.
pdfmake.setUrlAccessPolicy(() => false);

/** The type of the papers has halves and quarters, but no thirds: those are written out. */
export const printable = (text: string): string =>
  text.replace(/[\u2150-\u215e]/g, (fraction) => fraction.normalize('NFKC').replace('\u2044', '/'));

/** A caution at the foot of every page, and which of how many it is. */
export const footWith =
  (caution: string) =>
  (page: number, pages: number): Content => ({
    columns: [
      { text: caution, style: 'foot' },
      { text: `${page} of ${pages}`, style: 'foot', alignment: 'right', width: 50 },
    ],
    margin: [36, 8, 36, 0],
  });

/** A document as PDF, in the type and rule of all papers. */
export async function makePdf(document: TDocumentDefinitions): Promise<Buffer> {
  return pdfmake
    .createPdf({
      pageSize: 'A4',
      pageMargins: [36, 36, 36, 40],
      defaultStyle: { font: 'Roboto', fontSize: 9 },
      styles: {
        title: { fontSize: 15, bold: true },
        head: { bold: true, fontSize: 8 },
        soft: { color: '#5d5547' },
        foot: { fontSize: 7, color: '#5d5547' },
      },
      ...document,
    })
    .getBuffer();
}
