/** Units a figure is kept in. Display units (kW, °F, ft²) are chosen when it is shown. */
export type FigureUnit =
  | 'W'
  | 'VA'
  | 'Wh'
  | 'A'
  | 'V'
  | 'Ω'
  | 'Hz'
  | 'h'
  | 's'
  | 'ms'
  | '°C'
  | 'm'
  | 'm²'
  | 'mm'
  | 'kg'
  | 'N'
  | 'dB'
  | 'yr'
  | 'share'
  | 'factor'
  | 'count';

/** Where a value comes from. */
export type Source =
  | { readonly kind: 'derived' }
  /** Recalled from memory, to be verified against the edition adopted where the house stands. */
  | { readonly kind: 'published'; readonly reference: string }
  | { readonly kind: 'common-practice' }
  | { readonly kind: 'assumed'; readonly why: string }
  | { readonly kind: 'catalogue'; readonly unit: string }
  | { readonly kind: 'typical' }
  | { readonly kind: 'nameplate' }
  | { readonly kind: 'measured' }
  /** What bills contain beside what is listed. */
  | { readonly kind: 'bills' }
  | { readonly kind: 'user' };

/**
 * A value the user can see, with its working.
 *
 * `formula` is a template: each `{name}` stands for the input of that name, so that the same text gives the
 * formula in words and the formula with the numbers put in.
 */
export interface Figure {
  readonly key: string;
  readonly label: string;
  readonly value: number;
  readonly unit: FigureUnit;
  readonly source: Source;
  readonly formula?: string;
  readonly inputs: Readonly<Record<string, Figure>>;
  /** What is taken for granted. */
  readonly assumptions: readonly string[];
  /** What would change the value. */
  readonly levers: readonly string[];
}

interface GivenSpec {
  key: string;
  label: string;
  value: number;
  unit: FigureUnit;
  source: Source;
  assumptions?: readonly string[];
  levers?: readonly string[];
}

interface DerivedSpec extends Omit<GivenSpec, 'source'> {
  formula: string;
  inputs: Readonly<Record<string, Figure>>;
  source?: Source;
}

/** A figure that is entered, looked up or assumed: it has no formula. */
export function given(spec: GivenSpec): Figure {
  return { inputs: {}, assumptions: [], levers: [], ...spec };
}

/** A figure that is worked out from others. */
export function derived(spec: DerivedSpec): Figure {
  return { source: { kind: 'derived' }, assumptions: [], levers: [], ...spec };
}
