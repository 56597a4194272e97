/** Units somebody may type, as factors to the unit a field is kept in. */
export type UnitFactors = Readonly<Record<string, number>>;

export type ParsedQuantity =
  /** `unit` is what was typed, in lower case; '' where none was. */
  | { readonly ok: true; readonly value: number; readonly unit: string }
  | { readonly ok: false; readonly message: string };

const shape = /^([+-]?(?:\d[\d\u202f\u00a0 ]*(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?)\s*([^\d\s].*)?$/i;
const groupedThousands = /^[+-]?[1-9]\d{0,2}(?:[,'’]\d{3})+(?!\d)/;
/** Points between groups count as such where more than one stands there, or a comma follows: "1.250" alone is one and a quarter. */
const groupedByPoints = /^[+-]?[1-9]\d{0,2}(?:(?:\.\d{3}){2,}(?!\d)|(?:\.\d{3})+(?=,\d))/;
const vulgar: Readonly<Record<string, number>> = {
  '½': 1 / 2,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
};
/** "1½", "1 1/2", "3/4". */
const fraction = /^(\d+(?=\s*[½⅓⅔¼¾⅛⅜⅝⅞]|\s+\d+\/\d))?\s*(?:([½⅓⅔¼¾⅛⅜⅝⅞])|(\d+)\/([1-9]\d*))(?!\d)/;

/** Numbers as people write them, as digits with a decimal point. */
const plainly = (typed: string): string =>
  typed
    .replace(groupedByPoints, (digits) => digits.replaceAll('.', ''))
    .replace(groupedThousands, (digits) => digits.replace(/[,'’]/g, ''))
    .replace(
      fraction,
      (_, whole: string | undefined, sign: string | undefined, over: string, under: string) =>
        String(Number(whole ?? 0) + (sign === undefined ? Number(over) / Number(under) : vulgar[sign]!)),
    );

/**
 * Reads a number as people type it: "1.5", "1,5", "1,200", "1.250,5", "1½", "3/4", "1.2 kW", "800 W".
 *
 * Commas between groups of three digits group thousands ("1,200" is twelve hundred), any other comma is a decimal comma
 * ("1,5" and "0,125"); points group where that is beyond doubt ("1.250.000", "1.250,5"). A unit must be one of `units`; without one the value is taken as is.
 *
 * @param text what was typed
 * @param units accepted units (lower case) and their factors
 * @example parseQuantity('1.5 kW', { kw: 1000, w: 1 }) // { ok: true, value: 1500, unit: 'kw' }
 */
export function parseQuantity(text: string, units: UnitFactors = {}): ParsedQuantity {
  const typed = text.trim();
  const match = shape.exec(plainly(typed));
  if (!match) return { ok: false, message: `“${typed}” is not a number. Type digits, for example 1.5` };
  const value = Number(match[1]!.replace(/[\u202f\u00a0 ]/g, '').replace(',', '.'));
  const unit = (match[2] ?? '').trim().toLowerCase();
  if (!Number.isFinite(value)) return { ok: false, message: 'This number is too large' };
  if (unit === '') return { ok: true, value, unit };
  const factor = units[unit];
  if (factor !== undefined) return { ok: true, value: value * factor, unit };
  const known = Object.keys(units).join(', ');
  return {
    ok: false,
    message:
      known === '' ? `Type the number without “${unit}”` : `Unit “${unit}” is not known here. Use ${known}`,
  };
}
