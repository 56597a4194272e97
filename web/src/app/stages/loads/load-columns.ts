import {
  amountText,
  checkedAmount,
  plainQuantityText,
  type ReadAmount,
  readAmount,
} from '@levamen/core/base';
import { type Season, seasons } from '@levamen/core/nature';
import { type LegSet, readLegs, type SupplySystem, systemFacts } from '@levamen/core/electric';
import {
  type Load,
  type LoadKind,
  loadSchema,
  type PlacedCircuit,
  type Survey,
  type Tier,
  tiers,
} from '@levamen/core/house';
import {
  circuitShortText,
  guessKind,
  hoursPerDayH,
  parseStart,
  powerNote,
  readCircuit,
  readPower,
  spreadHours,
  startText,
} from '@levamen/core/house/details';
import * as z from 'zod';

export type ColumnKey =
  | 'inSet'
  | 'name'
  | 'circuit'
  | 'quantity'
  | 'legs'
  | 'power'
  | 'start'
  | 'hours'
  | 'duty'
  | 'energy'
  | 'cost'
  | 'tier';

/** A column of the table of loads. */
export interface LoadColumn {
  readonly key: ColumnKey;
  readonly label: string;
  readonly hint: string;
  readonly kind: 'toggle' | 'text' | 'choice' | 'computed';
  readonly number: boolean;
}

const column = (
  key: ColumnKey,
  label: string,
  kind: LoadColumn['kind'],
  hint: string,
  number = false,
): LoadColumn => ({ key, label, kind, hint, number });

export const loadColumns: readonly LoadColumn[] = [
  column('inSet', 'On', 'toggle', 'In the backup set: stays on in an outage'),
  column('name', 'Load', 'text', ''),
  column(
    'circuit',
    'Circuit',
    'text',
    'A space (13), panel and space (Barn 13), or the name of a circuit; - for none',
  ),
  column('quantity', 'Qty', 'text', 'Pieces', true),
  column('legs', 'Leg', 'text', 'L1, L2, L1-L2 or both; a ~ means assumed: nobody has said yet'),
  column('power', 'Watts', 'text', 'One piece, while it runs: 800, 1.2 kW, 36 A, 1½ hp, 12,000 BTU', true),
  column('start', 'Starts', 'text', 'none, ×6, 61 A, G 1.5 hp, FLC 1 hp ×6, soft ×1.2'),
  column('hours', 'h/day', 'text', 'Hours of use on a day of the design season', true),
  column('duty', 'Duty %', 'text', 'Share of those hours in which it really runs', true),
  column('energy', 'Per day', 'computed', 'Energy on a day of the design season, all pieces', true),
  column('cost', 'Costs', 'computed', 'Runtime it takes, or would take if it joined the backup set', true),
  column('tier', 'Tier', 'choice', 'Who would miss it'),
];

/** The columns of a house: without circuits there is nothing to hang a load on. */
export const columnsFor = ({ panels }: CellContext['survey']): readonly LoadColumn[] =>
  panels.some(({ circuits }) => circuits.length > 0)
    ? loadColumns
    : loadColumns.filter(({ key }) => key !== 'circuit');

/** What is needed to read and write a cell. */
export interface CellContext {
  readonly system: SupplySystem;
  readonly season: Season;
  readonly survey: Survey;
  /** Circuits of the survey, by id. */
  readonly circuits: ReadonlyMap<string, PlacedCircuit>;
  /** Legs a load may sit on, where its circuit leaves no others; by load. */
  readonly circuitLegs: ReadonlyMap<string, readonly LegSet[]>;
}

/** True where two contexts say the same: rows need not be drawn again then. */
export function sameContext(a: CellContext | null, b: CellContext | null): boolean {
  if (a === b || !a || !b) return a === b;
  return (
    a.system === b.system &&
    a.season === b.season &&
    a.survey === b.survey &&
    a.circuitLegs.size === b.circuitLegs.size &&
    [...a.circuitLegs].every(([id, legs]) => b.circuitLegs.get(id)?.join() === legs.join())
  );
}

/** What stands in an editable cell. */
export function cellText(load: Load, key: ColumnKey, { season, survey, circuits }: CellContext): string {
  switch (key) {
    case 'circuit': {
      const placed = load.circuitId === null ? undefined : circuits.get(load.circuitId);
      return placed ? circuitShortText(survey, placed) : '';
    }
    case 'name':
      return load.name;
    case 'quantity':
      return String(load.quantity);
    case 'legs':
      return load.legs;
    case 'power':
      return amountText(load.runningPowerW, 'W', 'metric');
    case 'start':
      return startText(load.start);
    case 'hours':
      return amountText(hoursPerDayH(load.use[season]), 'h', 'metric');
    case 'duty':
      return amountText(load.dutyCycle, 'share', 'metric');
    case 'tier':
      return load.tier;
    default:
      return '';
  }
}

/** What a column offers; legs can be written too. */
export function cellChoices(load: Load, key: ColumnKey, context: CellContext): readonly string[] {
  if (key === 'legs') return legChoices(load, context);
  return key === 'tier' ? tiers : [];
}

/** Legs a load can be put on: those of its circuit, or any of the supply while it is on none. */
export const legChoices = (load: Load, { system, circuitLegs }: CellContext): readonly LegSet[] =>
  circuitLegs.get(load.id) ?? systemFacts[system].legSets;

export type CellResult =
  { readonly ok: true; readonly load: Load } | { readonly ok: false; readonly message: string };

const hoursSchema = z.number().min(0, 'Enter 0 to 24 hours').max(24, 'Enter 0 to 24 hours');

/** A kind that was guessed from the name follows it, as far as the new name says anything. */
const kindAs = (load: Load, name: string): LoadKind => {
  const guess = guessKind(name);
  return guess !== 'other' && load.kind === guessKind(load.name) ? guess : load.kind;
};

/** Values somebody changes are no longer typical ones. */
export const asUser = (load: Load): Load =>
  load.basis === 'typical' || load.basis === 'bills' ? { ...load, basis: 'user' } : load;

/** The load with an amount, if that could be read. */
const taken = (read: ReadAmount, put: (value: number) => Load): CellResult =>
  read.ok ? { ok: true, load: put(read.value) } : read;

/**
 * The load with what was typed into one of its cells, or why it cannot be taken.
 *
 * Hours keep their pattern over the day; seasons that were alike stay alike.
 */
export function writeCell(load: Load, key: ColumnKey, text: string, context: CellContext): CellResult {
  const { season } = context;
  const shape = loadSchema.shape;
  const amount = (
    unit: Parameters<typeof readAmount>[1],
    schema: z.ZodType<number>,
    put: (value: number) => Load,
  ): CellResult => {
    return taken(readAmount(text, unit, 'metric', schema), put);
  };
  switch (key) {
    case 'name': {
      const checked = shape.name.safeParse(text.trim());
      return checked.success
        ? { ok: true, load: { ...load, name: checked.data, kind: kindAs(load, checked.data) } }
        : { ok: false, message: checked.error.issues[0]!.message };
    }
    case 'quantity':
      return amount('count', shape.quantity, (quantity) => ({ ...load, quantity }));
    case 'power': {
      const read = readPower(text, load, context.system);
      if (!read.ok) return read;
      // What was read off a nameplate in another unit is said beside the load, unless something stands there.
      const note = load.note === '' ? powerNote(read.how) : load.note;
      return taken(checkedAmount(read.powerW, 'W', 'metric', shape.runningPowerW), (runningPowerW) =>
        asUser({ ...load, runningPowerW, note }),
      );
    }
    case 'duty':
      return amount('share', shape.dutyCycle, (dutyCycle) => asUser({ ...load, dutyCycle }));
    case 'hours':
      return amount('h', hoursSchema, (hours) => {
        const alike = (other: Season): boolean =>
          JSON.stringify(load.use[other]) === JSON.stringify(load.use[season]);
        const use = Object.fromEntries(
          seasons.map((other) => [
            other,
            alike(other) ? spreadHours(load.use[other], hours) : load.use[other],
          ]),
        ) as Load['use'];
        return asUser({ ...load, use });
      });
    case 'start': {
      const parsed = parseStart(text, load.start);
      return parsed.ok ? { ok: true, load: asUser({ ...load, start: parsed.start }) } : parsed;
    }
    case 'legs': {
      const choices = legChoices(load, context);
      const legs = readLegs(text, choices);
      return legs
        ? { ok: true, load: { ...load, legs, legsAssumed: false } }
        : { ok: false, message: `Choose ${choices.join(', ')}` };
    }
    case 'circuit': {
      const read = readCircuit(text, context.survey);
      return read.ok ? { ok: true, load: { ...load, circuitId: read.circuitId } } : read;
    }
    case 'tier':
      return tiers.includes(text as Tier)
        ? { ok: true, load: { ...load, tier: text as Tier } }
        : { ok: false, message: `Choose ${tiers.join(', ')}` };
    default:
      return { ok: false, message: 'This column is worked out' };
  }
}

/** Runtime as the table shows it: minutes below an hour. */
export function costText(hours: number | null): string {
  if (hours === null || !Number.isFinite(hours)) return '–';
  if (hours < 0.0083) return '0 min';
  return hours < 1 ? `${Math.round(hours * 60)} min` : plainQuantityText(hours, 'h');
}
