import ExcelJS from 'exceljs';

/** A table as a workbook of one sheet, its headings fixed. Every cell is a text, so that it comes back as it went. */
export async function tableXlsx(name: string, rows: readonly (readonly string[])[]): Promise<Buffer> {
  const book = new ExcelJS.Workbook();
  const sheet = book.addWorksheet(name, { views: [{ state: 'frozen', ySplit: 1, xSplit: 3 }] });
  for (const row of rows) sheet.addRow([...row]);
  sheet.getRow(1).font = { bold: true };
  sheet.columns.forEach((column, index) => {
    column.width = Math.min(
      40,
      Math.max(8, ...rows.slice(0, 50).map((row) => (row[index] ?? '').length + 1)),
    );
  });
  return Buffer.from(await book.xlsx.writeBuffer());
}
