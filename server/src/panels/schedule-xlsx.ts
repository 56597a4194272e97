import { type PanelSchedule, scheduleColumns } from '@levamen/core/present';
import ExcelJS from 'exceljs';

/** A panel schedule as a workbook: the list first, so that it can be imported again, and the panel's facts on a second sheet. */
export async function scheduleXlsx({ title, facts, rows }: PanelSchedule, caution: string): Promise<Buffer> {
  const book = new ExcelJS.Workbook();
  book.title = title;
  const list = book.addWorksheet('Circuits', { views: [{ state: 'frozen', ySplit: 1 }] });
  list.addRow([...scheduleColumns]).font = { bold: true };
  for (const row of rows) list.addRow([...row]);
  list.columns.forEach((column, index) => {
    column.width = Math.min(
      40,
      Math.max(
        8,
        ...[scheduleColumns[index]!, ...rows.map((row) => String(row[index]))].map((t) => t.length + 1),
      ),
    );
  });
  const about = book.addWorksheet('Panel');
  about.addRow([title]).font = { bold: true };
  for (const fact of facts) about.addRow([...fact]);
  about.addRow([caution]);
  about.getColumn(1).width = 30;
  about.getColumn(2).width = 40;
  return Buffer.from(await book.xlsx.writeBuffer());
}
