import type { FieldUnit } from './field.js';
import type { UnitSystem } from './format-quantity.js';
import type { UnitFactors } from './parse-quantity.js';

/** How a field shows and reads a value that is kept in another unit. */
export interface FieldScale {
  readonly unit: string;
  readonly toShown: (kept: number) => number;
  readonly toKept: (shown: number) => number;
  /** Units that may be typed after the number, as factors to the shown unit. */
  readonly typed: UnitFactors;
  readonly decimals: number;
}

const linear = (unit: string, factor: number, decimals: number, typed: UnitFactors = {}): FieldScale => ({
  unit,
  toShown: (kept) => kept / factor,
  toKept: (shown) => shown * factor,
  typed: unit === '' ? typed : { [unit.toLowerCase()]: 1, ...typed },
  decimals,
});

const scales: Readonly<Record<FieldUnit, FieldScale>> = {
  W: linear('W', 1, 1, { kw: 1000, hp: 746 }),
  VA: linear('VA', 1, 1, { kva: 1000 }),
  kWh: linear('kWh', 1000, 3, { wh: 0.001 }),
  Ah: linear('Ah', 1, 1),
  h: linear('h', 1, 2, { d: 24, days: 24, min: 1 / 60 }),
  yr: linear('years', 1, 0, { yr: 1 }),
  share: linear('%', 0.01, 1),
  'share/°C': linear('%/°C', 0.01, 3, { '%/k': 1 }),
  '°C': linear('°C', 1, 1, { c: 1 }),
  ms: linear('ms', 1, 0, { s: 1000 }),
  A: linear('A', 1, 1),
  V: linear('V', 1, 0, { kv: 1000 }),
  'm²': linear('m²', 1, 1, { m2: 1 }),
  m: linear('m', 1, 2, { ft: 0.3048 }),
  span: linear('m', 1, 3, { mm: 0.001, cm: 0.01, ft: 0.3048 }),
  mm: linear('mm', 1, 1, { cm: 10, m: 1000, in: 25.4, '"': 25.4 }),
  kg: linear('kg', 1, 1, { lb: 0.45359237, lbs: 0.45359237, g: 0.001, t: 1000 }),
  deg: linear('°', 1, 5),
  s: linear('s', 1, 2, { ms: 0.001 }),
  min: linear('min', 1, 0, { h: 60 }),
  l: linear('l', 1, 1, { gal: 3.785411784 }),
  'l/h': linear('l/h', 1, 2),
  hp: linear('hp', 1, 3, { w: 1 / 746, kw: 1 / 0.746 }),
  dB: linear('dB', 1, 0, { 'db(a)': 1, dba: 1 }),
  count: linear('', 1, 0),
  factor: linear('', 1, 2),
};

const fahrenheit: FieldScale = {
  unit: '°F',
  toShown: (kept) => kept * 1.8 + 32,
  toKept: (shown) => (shown - 32) / 1.8,
  typed: { '°f': 1, f: 1 },
  decimals: 0,
};
const gallons = linear('gal', 3.785411784, 1, { l: 1 / 3.785411784 });
const gallonsAnHour = linear('gal/h', 3.785411784, 2);
const feet = linear('ft', 0.3048, 1, { m: 1 / 0.3048 });
/** Feet and inches carry their marks. */
const spanFeet: FieldScale = {
  ...linear('', 0.3048, 2, { ft: 1, in: 1 / 12, m: 1 / 0.3048, cm: 0.01 / 0.3048, mm: 0.001 / 0.3048 }),
  unit: '',
};
const inches = linear('in', 25.4, 2, { '"': 1, ft: 12, mm: 1 / 25.4, cm: 1 / 2.54 });
const pounds = linear('lb', 0.45359237, 1, { lbs: 1, kg: 1 / 0.45359237 });
const squareFeet = linear('ft²', 0.09290304, 0, { ft2: 1, 'sq ft': 1 });

/** The scale of a field under a system of units. */
export function fieldScale(unit: FieldUnit, system: UnitSystem): FieldScale {
  if (system === 'imperial' && unit === '°C') return fahrenheit;
  if (system === 'imperial' && unit === 'm²') return squareFeet;
  if (system === 'imperial' && unit === 'm') return feet;
  if (system === 'imperial' && unit === 'span') return spanFeet;
  if (system === 'imperial' && unit === 'mm') return inches;
  if (system === 'imperial' && unit === 'kg') return pounds;
  if (system === 'imperial' && unit === 'l') return gallons;
  if (system === 'imperial' && unit === 'l/h') return gallonsAnHour;
  return scales[unit];
}
