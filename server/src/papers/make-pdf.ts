import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import pdfmake from 'pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';

const fonts = join(dirname(createRequire(import.meta.url).resolve('pdfmake/package.json')), 'fonts/Roboto');

pdfmake.setFonts({
  Roboto: {
    normal: join(fonts, 'Roboto-Regular.ttf'),
    bold: join(fonts, 'Roboto-Medium.ttf'),
    italics: join(fonts, 'Roboto-Italic.ttf'),
    bolditalics: join(fonts, 'Roboto-MediumItalic.ttf'),
  },
});
// Documents hold text only: nothing is fetched while one is made, and nothing read but the fonts.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => path.startsWith(fonts));

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
