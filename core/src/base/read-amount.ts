import type * as z from 'zod';
import { feetInchesText, readFeetInches } from './feet-inches.js';
import type { FieldUnit } from './field.js';
import { fieldScale } from './field-scale.js';
import type { UnitSystem } from './format-quantity.js';
import { parseQuantity } from './parse-quantity.js';

export type ReadAmount =
  { readonly ok: true; readonly value: number } | { readonly ok: false; readonly message: string };

const rounded = (value: number, decimals: number): string =>
  String(Math.round(value * 10 ** decimals) / 10 ** decimals);

/** A kept value as its field shows it. */
export function amountText(kept: number, unit: FieldUnit, system: UnitSystem): string {
  if (unit === 'span' && system === 'imperial') return feetInchesText(kept);
  const scale = fieldScale(unit, system);
  return rounded(scale.toShown(kept), scale.decimals);
}

/**
 * What was typed into a field, in the unit it is kept in, if the schema allows it.
 *
 * Messages about limits speak in the unit the field shows.
 */
export function readAmount(
  text: string,
  unit: FieldUnit,
  system: UnitSystem,
  schema: z.ZodType<number>,
): ReadAmount {
  if (unit === 'm' || unit === 'span' || unit === 'mm') {
    const metres = readFeetInches(text);
    if (metres !== null) return checkedAmount(unit === 'mm' ? metres * 1000 : metres, unit, system, schema);
  }
  const scale = fieldScale(unit, system);
  const parsed = parseQuantity(text, scale.typed);
  if (parsed.ok) return checkedAmount(scale.toKept(parsed.value), unit, system, schema);
  // A unit that this scale does not know may be one of the other system.
  const other = fieldScale(unit, system === 'metric' ? 'imperial' : 'metric');
  const elsewhere = parseQuantity(text, other.typed);
  return elsewhere.ok ? checkedAmount(other.toKept(elsewhere.value), unit, system, schema) : parsed;
}

/** A value in the unit it is kept in, if the schema allows it. */
export function checkedAmount(
  value: number,
  unit: FieldUnit,
  system: UnitSystem,
  schema: z.ZodType<number>,
): ReadAmount {
  const scale = fieldScale(unit, system);
  // Sub-nano digits come from the conversion of units, not from the user.
  const kept = Math.round(value * 1e9) / 1e9;
  const checked = schema.safeParse(kept);
  if (checked.success) return { ok: true, value: checked.data };
  const issue = checked.error.issues[0]!;
  const limit = (bound: number | bigint) =>
    unit === 'span' && system === 'imperial'
      ? feetInchesText(Number(bound))
      : `${rounded(scale.toShown(Number(bound)), scale.decimals)} ${scale.unit}`.trim();
  if (issue.code === 'too_small') return { ok: false, message: `Enter at least ${limit(issue.minimum)}` };
  if (issue.code === 'too_big') return { ok: false, message: `Enter at most ${limit(issue.maximum)}` };
  return { ok: false, message: issue.message };
}
