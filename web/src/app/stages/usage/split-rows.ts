import { parse } from 'papaparse';

const date = String.raw`\d{1,4}[-/.]\d{1,2}[-/.]\d{1,4}`;
const time = String.raw`\d{1,2}:\d{2}(?::\d{2})?(?:\s*[ap]m\b)?`;
/** A comma that separates cells: it stands after a date, or after its time. Elsewhere it may group thousands. */
const dateThenComma = new RegExp(String.raw`${date}(?:[T\s]+${time}\S*)?"?\s*,`, 'i');
const dateAndTime = new RegExp(String.raw`${date}\s+${time}`, 'gi');
/** Holds a date and its time together while a line is split. */
const joint = '\u0001';

const byBlanks = (line: string): string[] =>
  line
    .trim()
    .replace(dateAndTime, (both) => both.replace(/\s+/g, joint))
    .split(/\s+(?!(?:kWh|MWh|Wh|min|h|s|d|days|hours)\b)/i)
    .map((cell) => cell.replaceAll(joint, ' '));

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
  return text.split(/\r?\n/).map(byBlanks);
}
