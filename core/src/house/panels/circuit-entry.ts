import { type Conductor, type ConductorSize, conductorSizes } from '../../electric/index.js';
import { circuitSchema, protections, type Circuit, type Protection } from './panel.schema.js';

/** What one line says about a breaker. */
export interface CircuitEntry {
  readonly name: string;
  readonly use: Circuit['use'];
  readonly ratingA: number | null;
  readonly poles: number;
  readonly protection: Protection;
  readonly conductor: Conductor | null;
}

export type ReadEntry =
  | { readonly ok: true; readonly entries: readonly CircuitEntry[] }
  | { readonly ok: false; readonly message: string };

const help =
  'Write for example: 20 Kitchen outlets, 50/2 Range, 15 Hall afci #14, spare 20; a tandem: 15 Hall | 15 Porch';
const leadingRating = /^(\d{1,4}(?:\.\d+)?)\s*a?(?:\s*[/x]\s*([1-9])\s*p?|\s+([1-9])p)?(?=\s|$|,)/i;
const trailingRating = /(?:^|\s)(\d{1,4}(?:\.\d+)?)\s*a(?:\s*[/x]\s*([1-9])\s*p?)?$/i;
const sizePattern =
  /(?:^|\s)(?:#\s*(\d+(?:\/0)?)|(\d+(?:\/0)?)\s*awg|(\d{3})\s*kcmil|([\d.]+)\s*mm(?:2|²))(?=\s|$|,)/i;
const aluminium = /(?:^|\s)(?:al|alum|aluminium|aluminum)(?=\s|$|,)/i;
const copper = /(?:^|\s)(?:cu|copper)(?=\s|$|,)/i;
const protectionWords: readonly (readonly [RegExp, Protection])[] = [
  [/(?:^|\s)(?:afci[-/+ ]gfci|dual function)(?=\s|$|,)/i, 'afci-gfci'],
  [/(?:^|\s)afci(?=\s|$|,)/i, 'afci'],
  [/(?:^|\s)gfci(?=\s|$|,)/i, 'gfci'],
  [/(?:^|\s)rcbo(?=\s|$|,)/i, 'rcbo'],
  [/(?:^|\s)rcd(?=\s|$|,)/i, 'rcd'],
  [/(?:^|\s)afdd(?=\s|$|,)/i, 'afdd'],
];

const sizeOf = (match: RegExpExecArray): ConductorSize | null => {
  const [, hash, awg, kcmil, metric] = match;
  const text = hash || awg ? `${hash ?? awg} AWG` : kcmil ? `${kcmil} kcmil` : `${metric} mm²`;
  return conductorSizes.find((size) => size === text) ?? null;
};

const readOne = (line: string): CircuitEntry | string => {
  let rest = line.trim();
  const take = (pattern: RegExp): RegExpExecArray | null => {
    const match = pattern.exec(rest);
    if (match) rest = `${rest.slice(0, match.index)} ${rest.slice(match.index + match[0].length)}`.trim();
    return match;
  };
  const spare = take(/(?:^|\s)spare(?=\s|$|,)/i) !== null;
  const size = take(sizePattern);
  const conductorSize = size && sizeOf(size);
  if (size && !conductorSize) return `There is no conductor of size "${size[0].trim()}"`;
  const isAluminium = conductorSize !== null && take(aluminium) !== null;
  if (conductorSize && !isAluminium) take(copper);
  let protection: Protection = 'standard';
  for (const [pattern, value] of protectionWords) {
    if (take(pattern)) {
      protection = value;
      break;
    }
  }
  const rating = take(leadingRating) ?? take(trailingRating);
  const poles = Number(
    rating?.[2] ?? rating?.[3] ?? take(/(?:^|\s)([1-9])\s*p(?:ole)?s?(?=\s|$|,)/i)?.[1] ?? 1,
  );
  if (poles > 3) return 'A breaker has one, two or three poles';
  const ratingA = rating ? Number(rating[1]) : null;
  if (ratingA !== null && !circuitSchema.shape.ratingA.safeParse(ratingA).success)
    return 'A breaker has 1 to 1200 A';
  const name = rest.replace(/^[,\s]+|[,\s]+$/g, '').replace(/\s+/g, ' ');
  const checked = circuitSchema.shape.name.safeParse(name);
  if (!checked.success) return checked.error.issues[0]!.message;
  if (name === '' && ratingA === null && !spare) return help;
  return {
    name,
    use: spare ? 'spare' : 'circuit',
    ratingA,
    poles,
    protection,
    conductor: conductorSize
      ? { material: isAluminium ? 'aluminium' : 'copper', size: conductorSize, ratedC: null }
      : null,
  };
};

/**
 * Reads a breaker as one types it off the legend: rating (with "/2" for two poles), name, and where wanted protection and
 * conductor. Two entries with "|" between them are a tandem.
 */
export function readCircuitEntry(text: string): ReadEntry {
  const parts = text.split('|');
  if (parts.length > 2) return { ok: false, message: 'A space holds at most two breakers' };
  const entries: CircuitEntry[] = [];
  for (const part of parts) {
    const entry = readOne(part);
    if (typeof entry === 'string') return { ok: false, message: entry };
    if (parts.length > 1 && entry.poles > 1)
      return { ok: false, message: 'A tandem is two breakers of one pole' };
    entries.push(entry);
  }
  return { ok: true, entries };
}

/** A breaker as {@link readCircuitEntry} reads it. */
export function circuitEntryText(
  circuit: Pick<Circuit, 'name' | 'use' | 'ratingA' | 'spaces' | 'protection' | 'conductor'>,
): string {
  const poles = circuit.spaces.length > 1 ? `/${circuit.spaces.length}` : '';
  const rating =
    circuit.ratingA === null
      ? poles === ''
        ? ''
        : `${circuit.spaces.length}p`
      : `${circuit.ratingA}${poles}`;
  const { conductor } = circuit;
  return [
    rating,
    circuit.use === 'spare' ? 'spare' : '',
    circuit.name,
    circuit.protection === 'standard' ? '' : circuit.protection,
    conductor
      ? `${conductor.size.replace(' mm²', 'mm²').replace(' AWG', 'AWG').replace(' kcmil', 'kcmil')}${conductor.material === 'aluminium' ? ' al' : ''}`
      : '',
  ]
    .filter((part) => part !== '')
    .join(' ');
}

export const isProtection = (text: string): text is Protection =>
  (protections as readonly string[]).includes(text);
