import { parse } from 'papaparse';

/** A comma that separates cells: it stands after a date. Elsewhere it may group thousands. */
const dateThenComma = /\d[-/.]\d{1,4}[-/.]\d{1,4}"?\s*,/;

/**
 * Rows of a list with dates, as they were copied: from a spreadsheet (tabs), a file (semicolons or commas), or plain text, whose cells stand
 * apart by blanks, so that "1,250" stays one number.
 */
export function splitRows(text: string): string[][] {
  const delimiter = text.includes('\t')
    ? '\t'
    : text.includes(';')
      ? ';'
      : dateThenComma.test(text)
        ? ','
        : null;
  if (delimiter !== null) return parse<string[]>(text, { delimiter, skipEmptyLines: false }).data;
  return text.split(/\r?\n/).map((line) => line.trim().split(/\s+(?!(?:kWh|MWh|Wh)\b)/i));
}
