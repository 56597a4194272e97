import { groupNames, type PartsLines } from '@levamen/core/papers/details';
import papaparse from 'papaparse';
import { escapeFormulae } from '../../panels/escape-formulae.js';
import { tableXlsx } from '../../tables/table-xlsx.js';

const head = ['Kind', 'What', 'Item', 'Article', 'Quantity', 'Unit', 'Supplier', 'Net', 'Currency', 'For'];

const rowsOf = ({ lines, currency }: PartsLines): string[][] =>
  lines.map((line) => [
    groupNames[line.group],
    line.name,
    line.item,
    line.articleNumber,
    String(line.quantity),
    line.unit,
    line.supplier,
    line.amount ?? '',
    line.amount === null ? '' : (currency ?? ''),
    line.where.join('; '),
  ]);

/** A parts list as CSV, UTF-8, a comma between cells; a cell that begins like a formula is kept text. */
export const partsCsv = (list: PartsLines): Buffer =>
  Buffer.from(`${papaparse.unparse({ fields: head, data: rowsOf(list) }, { escapeFormulae })}\r\n`);

/** The same as a workbook; every cell is a text or a number, and none a formula. */
export const partsXlsx = (list: PartsLines): Promise<Buffer> => tableXlsx('Parts', [head, ...rowsOf(list)]);
