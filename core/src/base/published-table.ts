/** A table of a code or standard as data, with what somebody needs to look it up again. */
export interface PublishedTable<Values> {
  readonly title: string;
  /** For example "Table 310.16". */
  readonly clause: string;
  /** For example "NEC 2023". */
  readonly edition: string;
  /** "recalled": written from memory; verify against the adopted edition. */
  readonly source: 'recalled' | 'published text';
  readonly values: Values;
}
