import ExcelJS from 'exceljs';

const maxRows = 5000;
/** Every field of every kind of equipment has a column of its own: some two hundred. */
const maxColumns = 400;

/**
 * The cells of the first sheet of an XLSX workbook, as text. Runs in a worker of `XlsxReader`.
 *
 * @throws Error where the bytes are no workbook
 */
export default async function readXlsx(bytes: Uint8Array): Promise<string[][]> {
  const book = new ExcelJS.Workbook();
  await book.xlsx.load(Buffer.from(bytes) as unknown as ArrayBuffer);
  const sheet = book.worksheets[0];
  if (!sheet) return [];
  const rows: string[][] = [];
  const width = Math.min(sheet.columnCount, maxColumns);
  for (let r = 1; r <= Math.min(sheet.rowCount, maxRows); r += 1) {
    const row = sheet.getRow(r);
    rows.push(Array.from({ length: width }, (_, c) => row.getCell(c + 1).text));
  }
  return rows;
}
