/**
 * How a value is kept in registers of 16 bits, the first one the highest (SunSpec information model, recalled).
 * `sunssf` is a power of ten that other points name; `pad` fills up.
 */
export type PointType =
  | 'int16'
  | 'uint16'
  | 'enum16'
  | 'int32'
  | 'uint32'
  | 'bitfield32'
  | 'acc32'
  | 'uint64'
  | 'sunssf'
  | 'string'
  | 'pad';

/** A point of a model, at the place where it stands. */
export interface Point {
  readonly name: string;
  readonly type: PointType;
  /** Registers it takes. */
  readonly size: number;
  /** Point that holds its power of ten; '' = it has none. */
  readonly scale: string;
  /** Unit once it is scaled; '' = it has none. */
  readonly unit: string;
}

/** A model: a number, and what stands in its registers after number and length. */
export interface SunSpecModel {
  readonly number: number;
  readonly name: string;
  readonly points: readonly Point[];
}

const sizes: Readonly<Record<Exclude<PointType, 'string'>, number>> = {
  int16: 1,
  uint16: 1,
  enum16: 1,
  sunssf: 1,
  pad: 1,
  int32: 2,
  uint32: 2,
  bitfield32: 2,
  acc32: 2,
  uint64: 4,
};

/** A point of a fixed size. */
export const point = (name: string, type: Exclude<PointType, 'string'>, scale = '', unit = ''): Point => ({
  name,
  type,
  size: sizes[type],
  scale,
  unit,
});

/** A text in so many registers, two letters in each. */
export const textPoint = (name: string, registers: number): Point => ({
  name,
  type: 'string',
  size: registers,
  scale: '',
  unit: '',
});

/** Several points that are kept alike. */
export const points = (
  names: readonly string[],
  type: Exclude<PointType, 'string'>,
  scale = '',
  unit = '',
): Point[] => names.map((name) => point(name, type, scale, unit));

/** Several points with one power of ten, which stands after them. */
export const scaled = (
  names: readonly string[],
  type: Exclude<PointType, 'string'>,
  scale: string,
  unit: string,
): Point[] => [...points(names, type, scale, unit), point(scale, 'sunssf')];

/** Registers of a model, without its number and length. */
export const lengthOf = ({ points: all }: SunSpecModel): number =>
  all.reduce((sum, { size }) => sum + size, 0);

/** Where a point stands in the registers of its model, counted from the first one after number and length; NaN = it has no such point. */
export function placeOf({ points: all }: SunSpecModel, name: string): number {
  const index = all.findIndex((one) => one.name === name);
  return index < 0 ? NaN : all.slice(0, index).reduce((sum, { size }) => sum + size, 0);
}
