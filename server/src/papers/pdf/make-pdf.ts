import pdfmake from 'pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';
import { faces, fontFolders } from './fonts.js';

pdfmake.setFonts(faces);
// Documents hold text only: nothing is fetched while one is made, and nothing read but the fonts.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => fontFolders.some((folder) => path.startsWith(folder)));

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
