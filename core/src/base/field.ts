import * as z from 'zod';

/** Units in which fields are shown and typed, under the metric system. */
export type FieldUnit =
  | 'W'
  | 'VA'
  | 'kWh'
  | 'Ah'
  | 'h'
  | 'yr'
  | 'share'
  | 'share/°C'
  | '°C'
  | 'ms'
  | 'A'
  | 'V'
  | 'm²'
  | 'm'
  /** Lengths on walls, kept in m: metres to the millimetre, or feet and inches. */
  | 'span'
  | 'mm'
  | 'kg'
  | 'deg'
  | 's'
  | 'min'
  | 'l'
  | 'l/h'
  | 'hp'
  | 'dB'
  | 'count'
  | 'factor';

/** What a form says of a field beside what its schema allows. */
export interface FieldFacts {
  readonly label: string;
  readonly hint?: string;
  /** Of a number: as it is shown and typed. */
  readonly unit?: FieldUnit;
  /** Of a choice: what each value is called, in the order in which they are offered. */
  readonly choices?: readonly (readonly [value: string | number | boolean | null, label: string])[];
  /** Of a list of points, such as "9700 VA for 22 s": names and units of both numbers, and what stands between them. */
  readonly points?: {
    readonly numbers: readonly [
      readonly [key: string, unit: FieldUnit],
      readonly [key: string, unit: FieldUnit],
    ];
    readonly between: string;
  };
  /** Of a choice of several. */
  readonly several?: readonly (readonly [value: string, label: string])[];
  /** An amount of money, kept as decimal text. */
  readonly money?: true;
  /** Of a longer text. */
  readonly rows?: number;
}

/** The facts of every field, by its schema. */
export const fieldFacts = z.registry<FieldFacts>();

/**
 * The schema of a field with what a form says of it. Facts belong to one schema object, so fields do not share one.
 *
 * @example field(amountSchema(300, 100_000, 'W'), { label: 'Power', unit: 'W' })
 */
export function field<S extends z.ZodType>(schema: S, facts: FieldFacts): S {
  fieldFacts.add(schema, facts);
  return schema;
}
