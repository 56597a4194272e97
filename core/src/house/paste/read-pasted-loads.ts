import { parseQuantity } from '../../base/index.js';
import { readLegs, systemFacts } from '../../electric/index.js';
import { readCircuit } from '../panels/read-circuit.js';
import type { SurveyedHouse } from '../panels/surveyed-house.js';
import { blankLoad } from '../loads/blank-load.js';
import { kindFacts, type LoadKind, loadKinds } from '../loads/load-kinds.js';
import { loadSchema, tiers, type Load, type Start, type Tier } from '../loads/load.schema.js';
import { powerNote, readPower } from '../loads/read-power.js';
import { parseStart } from '../loads/start-text.js';
import { spreadHours } from '../loads/spread-hours.js';

/** What a column of a pasted table can hold. */
export const pasteColumns = [
  'name',
  'quantity',
  'watts',
  'hours',
  'start',
  'tier',
  'duty',
  'legs',
  'circuit',
  'kind',
] as const;
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
  /** Is the first row one of headings? */
  readonly hasHeadings: boolean;
  /** Headings of columns that nothing is taken from. */
  readonly ignored: readonly string[];
  readonly rows: readonly PastedRow[];
}

const headings: Readonly<Record<PasteColumn, RegExp>> = {
  name: /^(name|load|device|appliance|item|description)/i,
  quantity: /^(qty|quantity|count|number|pcs|pieces)/i,
  watts: /^(w\b|watt|power|running|kw|amp|a\b)/i,
  hours: /^(h\b|hours?|time|use)/i,
  start: /^(start|surge|inrush|multiple)/i,
  tier: /^(tier|priority|importance)/i,
  duty: /^(duty|share|on %|% on)/i,
  legs: /^(legs?|phases?)\b/i,
  circuit: /^(circuit|breaker|space|ckt)/i,
  kind: /^(kind|type|category)/i,
};

const columnOf = (heading: string): PasteColumn | null =>
  pasteColumns.find((column) => headings[column].test(heading.trim())) ?? null;

/** Most rows a paste may bring. */
export const maxPastedRows = 500;

/**
 * Reads rows pasted from a spreadsheet as loads.
 *
 * A first row of headings maps the columns; without one they are taken in the order name, quantity, watts, hours a day,
 * start, tier, duty, legs, circuit, kind. A heading of "kW" or "A" is the unit of the power. Cells are written as in the table of loads: "36 A", "1½ hp", "×6",
 * "96 A", "none". Rows that cannot be read keep their place and say why.
 *
 * @param cells rows of cells as text
 * @param makeId gives each load its identifier
 * @param said what each column holds, where somebody has said it
 */
export function readPastedLoads(
  cells: readonly (readonly string[])[],
  { supply: { system }, loads: present, survey }: SurveyedHouse,
  makeId: () => string,
  said: readonly (PasteColumn | null)[] | null = null,
): PastedLoads {
  const filled = cells.filter((row) => row.some((cell) => cell.trim() !== '')).slice(0, maxPastedRows + 1);
  const first = filled[0] ?? [];
  const mapped = first.map(columnOf);
  const hasHeadings =
    mapped.includes('name') && mapped.some((column) => column !== null && column !== 'name');
  const columns = said ?? (hasHeadings ? mapped : first.map((_, i) => pasteColumns[i] ?? null));
  const powerHeading = hasHeadings ? (first.find((_, i) => columns[i] === 'watts') ?? '') : '';
  const powerUnit = /kw/i.test(powerHeading) ? 'kW' : /^a(mp|\b)/i.test(powerHeading.trim()) ? 'A' : 'W';
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
      const blank = blankLoad(makeId(), name === '' ? '?' : name, system, [...present, ...loads]);
      const choices = systemFacts[system].legSets;
      const legs = cell('legs') === '' ? null : readLegs(cell('legs'), choices);
      if (cell('legs') !== '' && legs === null) problems.push(`legs: use ${choices.join(', ')}`);
      const onLegs = legs === null ? {} : { legs, legsAssumed: false };
      const typed = cell('watts');
      const power = typed === '' ? null : readPower(typed, { ...blank, ...onLegs }, system, powerUnit);
      if (power === null) problems.push('watts: the row has no power');
      else if (!power.ok) problems.push(`watts: ${power.message}`);
      const hours = amount('hours', { h: 1, min: 1 / 60 });
      if (hours !== null && (hours < 0 || hours > 24)) problems.push('hours: enter 0 to 24 hours a day');
      const startText = cell('start');
      const start =
        startText === ''
          ? null
          : parseStart(/^[\d.,]+$/.test(startText) ? `×${startText}` : startText, blank.start);
      if (start?.ok === false) problems.push(`start: ${start.message}`);
      const duty = amount('duty', { '%': 1 });
      if (duty !== null && (duty <= 0 || duty > 100))
        problems.push('duty: enter more than 0 and at most 100 %');
      const tierText = cell('tier').toLowerCase();
      const tier = tiers.find((one) => one === tierText);
      if (tierText !== '' && !tier) problems.push(`tier: use ${tiers.join(', ')}`);
      const placed = readCircuit(cell('circuit'), survey);
      if (!placed.ok) problems.push(`circuit: ${placed.message}`);
      const kind = cell('kind') === '' ? blank.kind : kindOf(cell('kind'));
      if (kind === null)
        problems.push(`kind: use ${loadKinds.map((one) => kindFacts[one].label).join(', ')}`);
      if (problems.length > 0) return { row: index + 1, load: null, problems };
      const wanted: Tier = tier ?? blank.tier;
      const use =
        hours === null
          ? blank.use.winter
          : spreadHours({ nightH: 0, morningH: 0, dayH: 0, eveningH: 0 }, hours);
      const checked = loadSchema.safeParse({
        ...blank,
        kind,
        circuitId: placed.ok ? placed.circuitId : null,
        quantity,
        ...onLegs,
        ...(power?.ok ? { runningPowerW: power.powerW, note: powerNote(power.how) } : {}),
        // Shares up to 1 are shares, above it per cent.
        dutyCycle: duty === null ? blank.dutyCycle : duty > 1 ? duty / 100 : duty,
        use: { winter: { ...use }, shoulder: { ...use }, summer: { ...use } },
        start: start?.ok && multipleOf(start.start) > 1 ? start.start : { how: 'none' },
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
  const ignored = first.filter((heading, i) => hasHeadings && columns[i] === null && heading.trim() !== '');
  return { columns, hasHeadings, ignored, rows };
}

/** A kind by its label or its name, as far as it is written out. */
const kindOf = (text: string): LoadKind | null => {
  const said = text.toLowerCase();
  return (
    loadKinds.find((kind) => kind === said || kindFacts[kind].label.toLowerCase() === said) ??
    loadKinds.find((kind) => kindFacts[kind].label.toLowerCase().startsWith(said)) ??
    null
  );
};

/** What starts at once its running power starts without a surge. */
const multipleOf = (start: Start): number => (start.how === 'multiple' ? start.multiple : Infinity);
