// The part of the reader of PDF that works beside the page.
import 'pdfjs-dist/build/pdf.worker.mjs';
