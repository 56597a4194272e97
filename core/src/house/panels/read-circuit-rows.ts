import { parseQuantity } from '../../base/index.js';
import { type Conductor, conductorSizes } from '../../electric/index.js';
import { isProtection } from './circuit-entry.js';
import { newCircuit } from './new-panel.js';
import { fitsInto, freeSpaces } from './occupied-spaces.js';
import { circuitSchema, type Circuit, type Panel } from './panel.schema.js';
import { spacesFrom } from './space-place.js';

/** What a column of a circuit list can hold. */
export const circuitColumns = [
  'space',
  'half',
  'rating',
  'poles',
  'name',
  'protection',
  'conductor',
  'neutralGroup',
  'handleTie',
  'family',
  'use',
  'backFeeds',
  'channel',
] as const;
export type CircuitColumn = (typeof circuitColumns)[number];

export const circuitColumnLabels: Readonly<Record<CircuitColumn, string>> = {
  space: 'Space',
  half: 'Half of a tandem',
  rating: 'Breaker, A',
  poles: 'Poles',
  name: 'Description',
  protection: 'Protection',
  conductor: 'Conductor',
  neutralGroup: 'Shared neutral',
  handleTie: 'Handle tie',
  family: 'Breaker family',
  use: 'Circuit or spare',
  backFeeds: 'Feeds back',
  channel: 'Monitor channel',
};

const headings: readonly (readonly [CircuitColumn, RegExp])[] = [
  ['space', /^(spaces?|slots?|pos(ition)?|ckt|circuit\s*(#|no|nr|number)|no\.?|nr\.?|#|way)/i],
  ['half', /^half/i],
  ['rating', /^(breaker|amps?|rating|size|trip|a)(\s|,|$)/i],
  ['poles', /^(poles?|p)$/i],
  ['neutralGroup', /^(shared\s*neutral|mwbc|neutral)/i],
  ['handleTie', /^(handle|tie)/i],
  ['protection', /^(protection|type|afci|gfci|rcd)/i],
  ['conductor', /^(conductor|wire|cable|awg)/i],
  ['family', /^(family|make|series)/i],
  ['use', /^use$/i],
  ['backFeeds', /^(feeds back|back)/i],
  ['channel', /^(channel|monitor)/i],
  ['name', /^(desc|name|circuit|load|label|feeds|serves|what|where|room|area|location)/i],
];

export interface CircuitRow {
  /** Row of the list, from 1; headings count. */
  readonly row: number;
  readonly circuit: Circuit | null;
  /** What could not be read, in words that say what to change. */
  readonly problems: readonly string[];
}

export interface CircuitRows {
  readonly columns: readonly (CircuitColumn | null)[];
  readonly hasHeadings: boolean;
  readonly rows: readonly CircuitRow[];
}

/** Most rows a list may bring. */
export const maxCircuitRows = 500;

const columnOf = (heading: string): CircuitColumn | null =>
  headings.find(([, pattern]) => pattern.test(heading.trim()))?.[0] ?? null;

/** How the columns of a list are understood when nobody says otherwise. */
export function guessCircuitColumns(cells: readonly (readonly string[])[]): {
  columns: (CircuitColumn | null)[];
  hasHeadings: boolean;
} {
  const first = cells.find((row) => row.some((cell) => cell.trim() !== '')) ?? [];
  const seen = new Set<CircuitColumn>();
  const mapped = first.map((heading) => {
    const column = columnOf(heading);
    if (column === null || seen.has(column)) return null;
    seen.add(column);
    return column;
  });
  if (mapped.filter((column) => column !== null).length >= 2 && seen.has('name')) {
    return { columns: mapped, hasHeadings: true };
  }
  const usual: CircuitColumn[] =
    first.length === 2 ? ['rating', 'name'] : ['space', 'rating', 'name', 'poles'];
  const looksLikePoles = cells.every((row) => /^\s*[123]?\s*p?\s*$/i.test(row[3] ?? ''));
  return {
    columns: first.map((_, i) => (i === 3 && !looksLikePoles ? null : (usual[i] ?? null))),
    hasHeadings: false,
  };
}

const readConductor = (text: string): Conductor | null | string => {
  if (text === '') return null;
  const compact = text.toLowerCase().replace(/[\s#]/g, '').replace('mm2', 'mm²');
  const size = conductorSizes.find((one) => {
    const wanted = one.toLowerCase().replace(/\s/g, '');
    return compact.startsWith(wanted) || compact.replace(/(al|cu)$/, '') === wanted.replace('awg', '');
  });
  if (!size) return `there is no conductor "${text}"`;
  return { size, material: /al/i.test(text.replace(/awg/i, '')) ? 'aluminium' : 'copper', ratedC: null };
};

const yes = (text: string): boolean => /^(y|yes|x|1|true|tie)$/i.test(text);

/**
 * Reads a list of circuits for a panel: from a spreadsheet, a CSV file, or what {@link panelSchedule} wrote.
 *
 * A space may be "7", "7a", "2, 4", "2-4" or "2/4"; with a number of poles, the other spaces follow down the column. Without a
 * space, rows take the free spaces in order. Rows that cannot be read say why; the rest is kept.
 *
 * @param cells rows of cells as text
 * @param columns what each column holds; null = left out
 */
export function readCircuitRows(
  cells: readonly (readonly string[])[],
  panel: Panel,
  columns: readonly (CircuitColumn | null)[],
  hasHeadings: boolean,
  makeId: () => string,
): CircuitRows {
  let headingLeft = hasHeadings;
  let taken = panel;
  const rows: CircuitRow[] = [];
  cells.forEach((row, index) => {
    if (!row.some((cell) => cell.trim() !== '') || rows.length >= maxCircuitRows) return;
    if (headingLeft) {
      headingLeft = false;
      return;
    }
    const problems: string[] = [];
    const cell = (column: CircuitColumn): string => {
      const at = columns.indexOf(column);
      return at < 0 ? '' : (row[at] ?? '').trim();
    };
    const number = (column: CircuitColumn, text: string): number | null => {
      if (text === '') return null;
      const parsed = parseQuantity(text, { a: 1, p: 1 });
      if (parsed.ok) return parsed.value;
      problems.push(`${circuitColumnLabels[column]}: ${parsed.message}`);
      return null;
    };
    const name = cell('name');
    const ratingText = cell('rating');
    const withPoles = /^(\d+)\s*a?\s*[/x]\s*([123])\s*p?$/i.exec(ratingText);
    const ratingA = number('rating', withPoles ? withPoles[1]! : ratingText);
    const poles =
      number('poles', cell('poles').replace(/\s*pole?s?$/i, '')) ?? (withPoles ? Number(withPoles[2]) : null);
    const spaceText = cell('space');
    const numbers = [...spaceText.matchAll(/\d+/g)].map(([digits]) => Number(digits));
    const halfText = (cell('half') || (/\d\s*([ab])$/i.exec(spaceText)?.[1] ?? '')).toLowerCase();
    const half = halfText === 'a' || halfText === 'b' ? halfText : null;
    if (spaceText !== '' && numbers.length === 0) problems.push(`Space: "${spaceText}" holds no number`);
    const empty = name === '' && ratingA === null;
    if (empty && problems.length === 0) return;
    let spaces: number[] | null = numbers;
    if (numbers.length === 0) {
      const [free] = freeSpaces(taken).filter((space) => {
        const wanted = spacesFrom(panel, space, poles ?? 1);
        return wanted !== null && fitsInto(taken, { ...newCircuit('try', wanted), half: null });
      });
      spaces = free === undefined ? null : spacesFrom(panel, free, poles ?? 1);
      if (spaces === null) problems.push('Space: no space is free for it');
    } else if (numbers.length === 1 && poles !== null && poles > 1) {
      spaces = spacesFrom(panel, numbers[0]!, poles);
      if (spaces === null) problems.push(`Space: ${poles} poles do not fit from space ${numbers[0]}`);
    }
    const protectionText = cell('protection').toLowerCase().replace(/\s+/g, '-');
    if (protectionText !== '' && !isProtection(protectionText)) {
      problems.push(
        `Protection: "${cell('protection')}" is not known; use standard, afci, gfci, afci-gfci, rcd, rcbo or afdd`,
      );
    }
    const conductor = readConductor(cell('conductor'));
    if (typeof conductor === 'string') problems.push(`Conductor: ${conductor}`);
    if (problems.length > 0 || spaces === null) {
      rows.push({ row: index + 1, circuit: null, problems });
      return;
    }
    const spare = /^spare$/i.test(cell('use')) || /^spare$/i.test(name);
    const checked = circuitSchema.safeParse({
      ...newCircuit(makeId(), spaces, /^spare$/i.test(name) ? '' : name),
      use: spare ? 'spare' : 'circuit',
      half,
      ratingA,
      protection: isProtection(protectionText) ? protectionText : 'standard',
      conductor,
      neutralGroup: cell('neutralGroup'),
      handleTie: yes(cell('handleTie')),
      family: cell('family'),
      backFeeds: yes(cell('backFeeds')),
      channel: cell('channel'),
    });
    if (!checked.success) {
      const said = checked.error.issues.map(
        ({ path, message }) => `${path.map(String).join('.')}: ${message}`,
      );
      rows.push({ row: index + 1, circuit: null, problems: said });
      return;
    }
    taken = { ...taken, circuits: [...taken.circuits, checked.data] };
    rows.push({ row: index + 1, circuit: checked.data, problems: [] });
  });
  return { columns, hasHeadings, rows };
}
