import { lengthOf, type Point, type PointType, type SunSpecModel } from './point.js';

/** What a point holds: a number in its unit, a text, or null = not implemented. */
export type PointValue = number | string | null;
export type PointValues = Readonly<Record<string, PointValue>>;

/** What says that a point is not implemented (SunSpec information model, recalled). Accumulators say it by 0. */
const absent: Readonly<Partial<Record<PointType, bigint>>> = {
  int16: 0x8000n,
  sunssf: 0x8000n,
  pad: 0x8000n,
  uint16: 0xffffn,
  enum16: 0xffffn,
  int32: 0x8000_0000n,
  uint32: 0xffff_ffffn,
  bitfield32: 0xffff_ffffn,
  acc32: 0n,
  uint64: 0xffff_ffff_ffff_ffffn,
};
const signed = (type: PointType): boolean => type === 'int16' || type === 'int32' || type === 'sunssf';

/** Powers of ten that are allowed. */
const mostScale = 10;

function rawOf(registers: readonly number[], from: number, size: number): bigint {
  let raw = 0n;
  for (let i = 0; i < size; i += 1) raw = (raw << 16n) | BigInt((registers[from + i] ?? 0) & 0xffff);
  return raw;
}

function numberOf({ type, size }: Point, raw: bigint): number | null {
  if (raw === absent[type]) return null;
  return Number(signed(type) ? BigInt.asIntN(16 * size, raw) : raw);
}

function textOf(registers: readonly number[], from: number, size: number): string {
  const bytes = registers.slice(from, from + size).flatMap((register) => [register >> 8, register & 0xff]);
  const end = bytes.indexOf(0);
  // Anything but printable ASCII is left out: it comes from a device nobody vouches for.
  return String.fromCharCode(
    ...(end < 0 ? bytes : bytes.slice(0, end)).filter((one) => one >= 32 && one < 127),
  ).trim();
}

/** What stands in the registers of a model. */
export interface ReadModel {
  readonly values: PointValues;
  /** What is wrong with it, in words; such points are null. */
  readonly problems: readonly string[];
}

/**
 * Reads the points of a model, scaled to their units.
 *
 * @param registers of the model, without its number and length; where there are fewer than it has, the rest is not implemented
 */
export function readModel(model: SunSpecModel, registers: readonly number[]): ReadModel {
  const values: Record<string, PointValue> = {};
  const problems: string[] = [];
  let from = 0;
  for (const point of model.points) {
    const isThere = from + point.size <= registers.length;
    if (point.type === 'string') values[point.name] = isThere ? textOf(registers, from, point.size) : null;
    else if (point.type !== 'pad')
      values[point.name] = isThere ? numberOf(point, rawOf(registers, from, point.size)) : null;
    from += point.size;
  }
  if (registers.length < lengthOf(model))
    problems.push(`Model ${model.number} has ${registers.length} registers; ${lengthOf(model)} are usual`);
  for (const { name, scale } of model.points) {
    const value = values[name];
    if (scale === '' || typeof value !== 'number') continue;
    const power = values[scale];
    if (typeof power !== 'number' || Math.abs(power) > mostScale) {
      values[name] = null;
      problems.push(`${name} of model ${model.number} has no scale that can be (${scale}: ${String(power)})`);
    } else values[name] = power >= 0 ? value * 10 ** power : value / 10 ** -power;
  }
  return { values, problems };
}

function numberRegisters({ type, size }: Point, value: number | null): number[] {
  const bits = BigInt(16 * size);
  const all = (1n << bits) - 1n;
  const most = signed(type) ? all >> 1n : all - 1n;
  const least = signed(type) ? -most : 0n;
  const whole = value === null || !Number.isFinite(value) ? null : BigInt(Math.round(value));
  const raw = whole === null ? (absent[type] ?? 0n) : whole > most ? most : whole < least ? least : whole;
  const unsigned = BigInt.asUintN(Number(bits), raw);
  return Array.from({ length: size }, (_, i) => Number((unsigned >> BigInt(16 * (size - 1 - i))) & 0xffffn));
}

function textRegisters(text: string, size: number): number[] {
  const bytes = [...text].map((letter) => letter.charCodeAt(0) & 0x7f);
  return Array.from({ length: size }, (_, i) => ((bytes[2 * i] ?? 0) << 8) | (bytes[2 * i + 1] ?? 0));
}

/**
 * Registers of a model, without its number and length. What no value is given for is not implemented; what is too large for its
 * registers is the most they hold.
 *
 * @param values in the units of the points; powers of ten under the names of their points
 */
export function modelRegisters(model: SunSpecModel, values: PointValues): number[] {
  return model.points.flatMap((point) => {
    const value = values[point.name] ?? null;
    if (point.type === 'string') return textRegisters(typeof value === 'string' ? value : '', point.size);
    const power = point.scale === '' ? 0 : (values[point.scale] ?? 0);
    const scale = typeof power === 'number' ? power : 0;
    if (typeof value !== 'number') return numberRegisters(point, null);
    return numberRegisters(point, scale >= 0 ? value / 10 ** scale : value * 10 ** -scale);
  });
}
