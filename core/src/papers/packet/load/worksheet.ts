import type { Block, TableCell } from '../../document/paper.js';

/** A line of a calculation as an inspector checks it: what, how it is reckoned, by which clause, what it comes to. */
export interface WorksheetLine {
  readonly what: string;
  readonly working: string;
  readonly clause: string;
  readonly va: number;
  /** A sum of the lines above it; else it is one of them. */
  readonly sum?: boolean;
}

/** Volt-amperes as a worksheet writes them, without the unit. */
export const vaText = (value: number): string =>
  new Intl.NumberFormat('en', { maximumFractionDigits: 0 }).format(value);

/** A worksheet as a table; its last line is what it comes to. */
export function worksheetTable(lines: readonly WorksheetLine[], note: string): Block {
  return {
    kind: 'table',
    size: 'small',
    columns: [
      { head: 'Line', wide: true },
      { head: 'Reckoned', wide: true },
      { head: 'Clause' },
      { head: 'VA', align: 'right' },
    ],
    rows: lines.map(({ what, working, clause, va: value, sum = false }): TableCell[] => {
      const cell = (text: string): TableCell => (sum ? { text, tone: 'strong' } : text);
      return [cell(what), cell(working), cell(clause), cell(vaText(value))];
    }),
    note,
  };
}
