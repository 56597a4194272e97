import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** A piece of text on a page: from its lower left corner, points. */
export interface PdfText {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface ReadPdf {
  readonly pages: readonly {
    readonly widthPt: number;
    readonly heightPt: number;
    readonly texts: readonly PdfText[];
    /** All of it, as it is read. */
    readonly text: string;
  }[];
  readonly title: string;
  readonly bookmarks: readonly string[];
  /** Names of the fonts that are used; each is embedded, or it is not here. */
  readonly fonts: readonly string[];
}

/** Reads a PDF back with another library than the one that wrote it. */
export async function readPdf(bytes: Uint8Array): Promise<ReadPdf> {
  const document = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: false, verbosity: 0 })
    .promise;
  const pages = [];
  const fonts = new Set<string>();
  for (let number = 1; number <= document.numPages; number += 1) {
    const page = await document.getPage(number);
    const { width, height } = page.getViewport({ scale: 1 });
    const { items } = await page.getTextContent();
    const texts = items.flatMap((item) =>
      'str' in item && item.str !== ''
        ? [
            {
              text: item.str,
              x: (item.transform as number[])[4]!,
              y: (item.transform as number[])[5]!,
              width: item.width,
              height: item.height,
            },
          ]
        : [],
    );
    const text = items.map((item) => ('str' in item ? `${item.str}${item.hasEOL ? '\n' : ''}` : '')).join('');
    pages.push({ widthPt: width, heightPt: height, texts, text });
  }
  const { info } = await document.getMetadata();
  const outline = (await document.getOutline()) as readonly { title: string }[] | null;
  for (const [, name] of Buffer.from(bytes)
    .toString('latin1')
    .matchAll(/\/FontFile2 |\/BaseFont \/([\w+-]+)/g))
    if (name) fonts.add(name);
  await document.destroy();
  return {
    pages,
    title: (info as { Title?: string }).Title ?? '',
    bookmarks: (outline ?? []).map(({ title }) => title),
    fonts: [...fonts],
  };
}
