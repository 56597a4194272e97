/** Where a value comes from that stands outside this program. */
export type OutsideKind =
  /** A value of a worked example, or of a published table that another method was used for than here. */
  | 'example'
  /** A cell of a published table that the program carries itself. */
  | 'table'
  /** Follows from a definition or a law of nature, by hand. */
  | 'definition'
  /** A fact of the trade that has no source. */
  | 'practice';

/** A quantity as it is known outside, and the program's own answer. */
export interface OutsideValue {
  readonly what: string;
  readonly expected: number;
  /** How far the answer may lie from it; in its unit. */
  readonly within: number;
  readonly measure: () => number;
}

/** Values of one source. */
export interface OutsideGroup {
  readonly title: string;
  readonly kind: OutsideKind;
  /** Source, and whether it was recalled from memory. */
  readonly source: string;
  /** File that holds the values, below core/src. */
  readonly where: string;
  readonly unit: string;
  readonly values: readonly OutsideValue[];
}
