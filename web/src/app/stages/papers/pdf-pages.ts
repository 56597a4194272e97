import { getDocument, GlobalWorkerOptions, type PDFDocumentProxy } from 'pdfjs-dist';

let worker: Worker | null = null;
const readerWorker = (): Worker =>
  (worker ??= new Worker(new URL('../../workers/pdf.worker', import.meta.url), { type: 'module' }));

/** A page of a PDF: its picture, and its words for who does not see it. */
export interface PdfPage {
  readonly number: number;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly text: string;
  draw(canvas: HTMLCanvasElement): Promise<void>;
}

/** A PDF that is open; whoever opened it closes it. */
export interface OpenPdf {
  readonly pages: readonly PdfPage[];
  close(): void;
}

/**
 * Opens a PDF to be looked at.
 *
 * @param widthPx how wide an upright page is drawn
 */
export async function openPdf(file: Blob, widthPx: number): Promise<OpenPdf> {
  GlobalWorkerOptions.workerPort = readerWorker();
  const pdf: PDFDocumentProxy = await getDocument({
    data: new Uint8Array(await file.arrayBuffer()),
    isEvalSupported: false,
    useSystemFonts: false,
  }).promise;
  const pages: PdfPage[] = [];
  const first = (await pdf.getPage(1)).getViewport({ scale: 1 });
  const perPoint = widthPx / Math.min(first.width, first.height);
  for (let number = 1; number <= pdf.numPages; number += 1) {
    const page = await pdf.getPage(number);
    const viewport = page.getViewport({ scale: perPoint });
    const { items } = await page.getTextContent();
    pages.push({
      number,
      widthPx: Math.round(viewport.width),
      heightPx: Math.round(viewport.height),
      text: items.map((item) => ('str' in item ? `${item.str}${item.hasEOL ? '\n' : ''}` : '')).join(''),
      draw: async (canvas) => {
        const ratio = Math.min(2, globalThis.devicePixelRatio || 1);
        canvas.width = Math.round(viewport.width * ratio);
        canvas.height = Math.round(viewport.height * ratio);
        await page.render({ canvas, viewport: page.getViewport({ scale: perPoint * ratio }) }).promise;
      },
    });
  }
  return { pages, close: () => void pdf.loadingTask.destroy() };
}
