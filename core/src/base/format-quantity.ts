import type { FigureUnit } from './figure.js';

export type UnitSystem = 'metric' | 'imperial';

/** A quantity ready to be shown: figure and unit apart, so that the unit can be set smaller. */
export interface ShownQuantity {
  readonly text: string;
  readonly unit: string;
}

interface Scale {
  readonly unit: string;
  readonly convert: (value: number) => number;
  readonly decimals: number;
}

const same = (value: number): number => value;

/** Two to three significant digits are what the trade reads; more would promise a precision the inputs lack. */
const decimalsFor = (value: number): number => {
  const size = Math.abs(value);
  if (size >= 100) return 0;
  if (size >= 10) return 1;
  return 2;
};

const scaleOf = (value: number, unit: FigureUnit, system: UnitSystem): Scale => {
  const kilo = (name: string, below: string): Scale =>
    Math.abs(value) >= 1000
      ? { unit: `k${name}`, convert: (v) => v / 1000, decimals: decimalsFor(value / 1000) }
      : { unit: below, convert: same, decimals: Math.abs(value) >= 10 || value === 0 ? 0 : 1 };
  switch (unit) {
    case 'W':
      return kilo('W', 'W');
    case 'VA':
      return kilo('VA', 'VA');
    case 'Wh':
      return kilo('Wh', 'Wh');
    case 'A':
      return { unit: 'A', convert: same, decimals: Math.abs(value) >= 100 ? 0 : 1 };
    case 'V':
      return { unit: 'V', convert: same, decimals: 0 };
    case 'Ω':
      return Math.abs(value) >= 1e6
        ? { unit: 'MΩ', convert: (v) => v / 1e6, decimals: decimalsFor(value / 1e6) }
        : Math.abs(value) >= 1000
          ? { unit: 'kΩ', convert: (v) => v / 1000, decimals: decimalsFor(value / 1000) }
          : { unit: 'Ω', convert: same, decimals: Math.abs(value) < 1 ? 3 : decimalsFor(value) };
    case 'Hz':
      return { unit: 'Hz', convert: same, decimals: 2 };
    case 'h':
      return { unit: 'h', convert: same, decimals: Math.abs(value) >= 100 ? 0 : 1 };
    case 's':
      return { unit: 's', convert: same, decimals: decimalsFor(value) };
    case 'ms':
      return Math.abs(value) >= 1000
        ? { unit: 's', convert: (v) => v / 1000, decimals: decimalsFor(value / 1000) }
        : { unit: 'ms', convert: same, decimals: 0 };
    case '°C':
      return system === 'imperial'
        ? { unit: '°F', convert: (v) => v * 1.8 + 32, decimals: 0 }
        : { unit: '°C', convert: same, decimals: 0 };
    case 'm²':
      return system === 'imperial'
        ? { unit: 'ft²', convert: (v) => v / 0.09290304, decimals: 0 }
        : { unit: 'm²', convert: same, decimals: 0 };
    case 'm':
      return system === 'imperial'
        ? { unit: 'ft', convert: (v) => v / 0.3048, decimals: Math.abs(value) >= 3 ? 0 : 1 }
        : { unit: 'm', convert: same, decimals: Math.abs(value) >= 10 ? 0 : Math.abs(value) >= 3 ? 1 : 2 };
    case 'mm':
      return system === 'imperial'
        ? { unit: 'in', convert: (v) => v / 25.4, decimals: Math.abs(value) < 25.4 ? 2 : 1 }
        : { unit: 'mm', convert: same, decimals: Number.isInteger(value) ? 0 : 1 };
    case 'kg':
      return system === 'imperial'
        ? { unit: 'lb', convert: (v) => v / 0.45359237, decimals: 0 }
        : { unit: 'kg', convert: same, decimals: 0 };
    case 'N':
      return system === 'imperial'
        ? { unit: 'lbf', convert: (v) => v / 4.4482216, decimals: 0 }
        : { unit: 'N', convert: same, decimals: 0 };
    case 'dB':
      return { unit: 'dB', convert: same, decimals: 0 };
    case 'yr':
      return { unit: 'yr', convert: same, decimals: 0 };
    case 'share':
      return { unit: '%', convert: (v) => v * 100, decimals: Math.abs(value) < 0.1 ? 1 : 0 };
    case 'factor':
      return { unit: '', convert: same, decimals: 3 };
    case 'count':
      return { unit: '', convert: same, decimals: Number.isInteger(value) ? 0 : 2 };
  }
};

const formatters = new Map<number, Intl.NumberFormat>();
const formatter = (decimals: number): Intl.NumberFormat => {
  const known = formatters.get(decimals);
  if (known) return known;
  const made = new Intl.NumberFormat('en', { maximumFractionDigits: decimals });
  formatters.set(decimals, made);
  return made;
};

/**
 * A quantity in the unit a reader expects: 12,400 W becomes 12.4 kW, 20 °C becomes 68 °F under imperial.
 *
 * @param value in `unit`; an infinite value is shown as "∞"
 * @param more decimals beyond the usual ones
 * @example formatQuantity(12_400, 'W') // { text: '12.4', unit: 'kW' }
 */
export function formatQuantity(
  value: number,
  unit: FigureUnit,
  system: UnitSystem = 'metric',
  more = 0,
): ShownQuantity {
  const scale = scaleOf(value, unit, system);
  if (!Number.isFinite(value)) return { text: value > 0 ? '∞' : '–', unit: scale.unit };
  return { text: formatter(scale.decimals + more).format(scale.convert(value)), unit: scale.unit };
}

/** The same as one text, with a narrow no-break space before the unit. */
export function quantityText(
  value: number,
  unit: FigureUnit,
  system: UnitSystem = 'metric',
  more = 0,
): string {
  const shown = formatQuantity(value, unit, system, more);
  return shown.unit === '' ? shown.text : `${shown.text}\u202f${shown.unit}`;
}

/** The same with a plain space, for what is searched, copied and typed again. */
export const plainQuantityText = (...of: Parameters<typeof quantityText>): string =>
  quantityText(...of).replace('\u202f', ' ');

/** So many decimals more at most are shown to tell two quantities apart. */
const mostMore = 3;

/**
 * Two quantities to be compared, with as many decimals as tell them apart: 23.97 h is not shown as "24 h of 24 h".
 *
 * @example comparedTexts(23.97, 24, 'h').map((text) => text.replace('\u202f', ' ')) // ['23.97 h', '24 h']
 */
export function comparedTexts(
  a: number,
  b: number,
  unit: FigureUnit,
  system: UnitSystem = 'metric',
): readonly [string, string] {
  let more = 0;
  const texts = (): [string, string] => [
    quantityText(a, unit, system, more),
    quantityText(b, unit, system, more),
  ];
  if (Math.abs(a - b) <= 1e-9 * Math.abs(b)) return texts();
  while (more < mostMore && texts()[0] === texts()[1]) more += 1;
  return texts();
}
