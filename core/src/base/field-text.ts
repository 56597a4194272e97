import * as z from 'zod';
import { type FieldFacts, fieldFacts, type FieldUnit } from './field.js';
import { fieldScale } from './field-scale.js';
import { readAmount } from './read-amount.js';

export type ReadField =
  { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly message: string };

/** A number in the unit a field shows, with every digit it has: reading it back gives the same. */
function exactText(kept: number, unit: FieldUnit): string {
  const shown = fieldScale(unit, 'metric').toShown(kept);
  return String(Number(shown.toPrecision(12)));
}

const withUnit = (kept: number, unit: FieldUnit): string =>
  `${exactText(kept, unit)} ${fieldScale(unit, 'metric').unit}`.trim();

type Choices = readonly (readonly [value: unknown, label: string])[];
const chosen = (choices: Choices, value: unknown): string =>
  choices.find(([known]) => known === value)?.[1] ?? String(value);

/**
 * What a field holds as the text of a cell. Reading it back with {@link readFieldText} gives the same value.
 *
 * @param value of the field, in the unit it is kept in; null and nothing at all are ''
 */
export function fieldText(schema: z.ZodType, value: unknown): string {
  const facts = factsOf(schema);
  if (value === null || value === undefined) return '';
  const { points, several, choices, unit } = facts;
  if (points && Array.isArray(value)) {
    const [first, second] = points.numbers;
    return (value as Record<string, number>[])
      .map(
        (point) =>
          `${withUnit(point[first[0]]!, first[1])} ${points.between} ${withUnit(point[second[0]]!, second[1])}`,
      )
      .join('; ');
  }
  if (several && Array.isArray(value)) return value.map((one) => chosen(several, one)).join('; ');
  if (choices) return chosen(choices, value);
  if (unit && typeof value === 'number') return exactText(value, unit);
  return String(value);
}

/** What a field holds as it is read: with its unit. '' where nothing is said. */
export function shownFieldText(schema: z.ZodType, value: unknown): string {
  const text = fieldText(schema, value);
  const { unit, choices } = factsOf(schema);
  if (text === '' || unit === undefined || choices) return text;
  return `${text} ${fieldScale(unit, 'metric').unit}`.trim();
}

const factsOf = (schema: z.ZodType): FieldFacts => {
  const facts = fieldFacts.get(schema);
  if (!facts) throw new Error('This field has no label');
  return facts;
};

const plain = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, ' ');

const readChoice = (choices: Choices, text: string): ReadField => {
  const found = choices.find(
    ([value, label]) => plain(label) === plain(text) || plain(String(value)) === plain(text),
  );
  return found
    ? { ok: true, value: found[0] }
    : { ok: false, message: `“${text}” is none of: ${choices.map(([, label]) => label).join(', ')}` };
};

/** Bounds are those of the whole list. */
const anyNumber = z.number();

function readPoints({ numbers, between }: NonNullable<FieldFacts['points']>, text: string): ReadField {
  const value: Record<string, number>[] = [];
  for (const part of text.split(/[;\n]/).filter((one) => one.trim() !== '')) {
    const halves = part.split(new RegExp(`\\s+(?:${between}|/|:)\\s+|\\s*@\\s*`, 'i'));
    if (halves.length !== 2)
      return { ok: false, message: `Write “${part.trim()}” as two numbers with “${between}” between them` };
    const point: Record<string, number> = {};
    for (const [index, [key, unit]] of numbers.entries()) {
      const read = readAmount(halves[index]!.trim(), unit, 'metric', anyNumber);
      if (!read.ok) return read;
      point[key] = read.value;
    }
    value.push(point);
  }
  return { ok: true, value };
}

const nothing = (schema: z.ZodType): ReadField => {
  for (const value of [null, '', []]) if (schema.safeParse(value).success) return { ok: true, value };
  return { ok: false, message: 'This is needed' };
};

/**
 * Reads the text of a cell or of a line somebody pasted.
 *
 * @param unitOfColumn the unit a heading names; it counts where the cell has none
 */
export function readFieldText(schema: z.ZodType, text: string, unitOfColumn = ''): ReadField {
  const typed = text.trim();
  if (typed === '') return nothing(schema);
  const { points, several, choices, unit } = factsOf(schema);
  const read = ((): ReadField => {
    if (points) return readPoints(points, typed);
    if (several) {
      const values: unknown[] = [];
      for (const part of typed.split(';').filter((one) => one.trim() !== '')) {
        const one = readChoice(several, part);
        if (!one.ok) return one;
        values.push(one.value);
      }
      return { ok: true, value: values };
    }
    if (choices) return readChoice(choices, typed);
    if (unit) {
      const hasUnit = unitOfColumn === '' || /[^\d.,'’\s+-]/.test(typed.replace(/e[+-]?\d+/i, ''));
      return readAmount(
        hasUnit ? typed : `${typed} ${unitOfColumn}`,
        unit,
        'metric',
        schema as z.ZodType<number>,
      );
    }
    return { ok: true, value: text };
  })();
  if (!read.ok) return read;
  const checked = schema.safeParse(read.value);
  return checked.success
    ? { ok: true, value: checked.data }
    : { ok: false, message: checked.error.issues[0]!.message };
}
