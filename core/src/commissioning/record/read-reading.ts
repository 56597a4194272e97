import { parseQuantity, type ParsedQuantity, type UnitFactors } from '../../base/index.js';
import type { ReadingUnit } from '../steps/step.js';

/** What an instrument shows beside its digits, in lower case, as factors to the unit of a step. */
const typed: Readonly<Record<ReadingUnit, UnitFactors>> = {
  V: { v: 1, mv: 1e-3, kv: 1e3 },
  Ω: { Ω: 1, ω: 1, ohm: 1, mω: 1e6, megohm: 1e6, mohm: 1e6, kω: 1e3, kohm: 1e3, gω: 1e9 },
  Hz: { hz: 1 },
  ms: { ms: 1, s: 1000 },
  s: { s: 1, min: 60, m: 60, h: 3600 },
  A: { a: 1, ma: 1e-3, ka: 1e3 },
  W: { w: 1, kw: 1000 },
  count: {},
  share: { '%': 0.01 },
};

/**
 * What was read off an instrument, in the unit of its step: "121.4", "2.3 MΩ", "> 500 MΩ" (as much as it can show), "5 min". A share
 * is read in percent.
 */
export function readReading(text: string, unit: ReadingUnit): ParsedQuantity {
  const plain = text.trim().replace(/^[<>≥≤]\s*/, '');
  if (plain === '') return { ok: false, message: 'Type what the instrument shows' };
  const read = parseQuantity(plain, typed[unit]);
  if (!read.ok) return read;
  if (unit === 'count' && !Number.isInteger(read.value)) return { ok: false, message: 'Type a whole number' };
  return unit === 'share' && read.unit === '' ? { ...read, value: read.value / 100 } : read;
}
