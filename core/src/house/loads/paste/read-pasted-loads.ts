import { parseQuantity } from '../../../base/index.js';
import type { SupplySystem } from '../../../electric/index.js';
import { blankLoad } from '../blank-load.js';
import { loadSchema, tiers, type Load, type Tier } from '../load.schema.js';
import { spreadHours } from '../spread-hours.js';

/** What a column of a pasted table can hold. */
export const pasteColumns = ['name', 'quantity', 'watts', 'hours', 'start', 'tier'] as const;
export type PasteColumn = (typeof pasteColumns)[number];

export interface PastedRow {
  /** Row of the pasted text, from 1. */
  readonly row: number;
  readonly load: Load | null;
  /** What could not be read, in words that say what to change. */
  readonly problems: readonly string[];
}

export interface PastedLoads {
  readonly columns: readonly (PasteColumn | null)[];
  readonly rows: readonly PastedRow[];
}

const headings: Readonly<Record<PasteColumn, RegExp>> = {
  name: /^(name|load|device|appliance|item|description)/i,
  quantity: /^(qty|quantity|count|number|pcs|pieces)/i,
  watts: /^(w\b|watt|power|running|kw)/i,
  hours: /^(h\b|hours?|time|use)/i,
  start: /^(start|surge|inrush|multiple)/i,
  tier: /^(tier|priority|importance)/i,
};

const columnOf = (heading: string): PasteColumn | null =>
  pasteColumns.find((column) => headings[column].test(heading.trim())) ?? null;

/** Most rows a paste may bring. */
export const maxPastedRows = 500;

/**
 * Reads rows pasted from a spreadsheet as loads.
 *
 * A first row of headings maps the columns; without one they are taken in the order name, quantity, watts, hours a day,
 * start (multiple of running), tier. A heading of "kW" scales the power. Rows that cannot be read keep their place and say why.
 *
 * @param cells rows of cells as text
 * @param makeId gives each load its identifier
 */
export function readPastedLoads(
  cells: readonly (readonly string[])[],
  system: SupplySystem,
  present: readonly Load[],
  makeId: () => string,
): PastedLoads {
  const filled = cells.filter((row) => row.some((cell) => cell.trim() !== '')).slice(0, maxPastedRows + 1);
  const first = filled[0] ?? [];
  const mapped = first.map(columnOf);
  const hasHeadings =
    mapped.includes('name') && mapped.some((column) => column !== null && column !== 'name');
  const columns = hasHeadings ? mapped : first.map((_, i) => pasteColumns[i] ?? null);
  const inKilowatts = hasHeadings && first.some((cell, i) => columns[i] === 'watts' && /kw/i.test(cell));
  const loads: Load[] = [];
  const rows = filled
    .slice(hasHeadings ? 1 : 0, maxPastedRows + (hasHeadings ? 1 : 0))
    .map((row, index): PastedRow => {
      const problems: string[] = [];
      const cell = (column: PasteColumn): string => {
        const at = columns.indexOf(column);
        return at < 0 ? '' : (row[at] ?? '').trim();
      };
      const amount = (column: PasteColumn, units: Readonly<Record<string, number>> = {}): number | null => {
        if (cell(column) === '') return null;
        const parsed = parseQuantity(cell(column), units);
        if (parsed.ok) return parsed.value;
        problems.push(`${column}: ${parsed.message}`);
        return null;
      };
      const name = cell('name');
      if (name === '') problems.push('name: the row has none');
      const quantity = amount('quantity') ?? 1;
      const typedW = amount('watts', inKilowatts ? { kw: 1, w: 0.001 } : { w: 1, kw: 1000 });
      const runningPowerW = typedW === null ? null : typedW * (inKilowatts ? 1000 : 1);
      if (runningPowerW === null && problems.length === 0) problems.push('watts: the row has no power');
      const hours = amount('hours', { h: 1, min: 1 / 60 });
      if (hours !== null && (hours < 0 || hours > 24)) problems.push('hours: enter 0 to 24 hours a day');
      const multiple = amount('start', { x: 1, '×': 1 });
      const tierText = cell('tier').toLowerCase();
      const tier = tiers.find((one) => one === tierText);
      if (tierText !== '' && !tier) problems.push(`tier: use ${tiers.join(', ')}`);
      if (problems.length > 0) return { row: index + 1, load: null, problems };
      const blank = blankLoad(makeId(), name, system, [...present, ...loads]);
      const wanted: Tier = tier ?? blank.tier;
      const use =
        hours === null
          ? blank.use.winter
          : spreadHours({ nightH: 0, morningH: 0, dayH: 0, eveningH: 0 }, hours);
      const checked = loadSchema.safeParse({
        ...blank,
        quantity,
        runningPowerW,
        use: { winter: { ...use }, shoulder: { ...use }, summer: { ...use } },
        start:
          multiple !== null && multiple > 1 ? { how: 'multiple', multiple, durationS: 0.5 } : { how: 'none' },
        tier: wanted,
      });
      if (!checked.success) {
        return {
          row: index + 1,
          load: null,
          problems: checked.error.issues.map(
            ({ path, message }) => `${path.map(String).join('.')}: ${message}`,
          ),
        };
      }
      loads.push(checked.data);
      return { row: index + 1, load: checked.data, problems: [] };
    });
  return { columns, rows };
}
