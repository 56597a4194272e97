import type { Source } from './figure.js';

/** A value that is always there: what somebody said, or a stated default. */
export interface Setting<T> {
  readonly value: T;
  readonly assumed: boolean;
  /** Why this default; '' where somebody said it. */
  readonly why: string;
}

/** A value with its default. */
export const setting = <T>(said: T | null, fallback: T, why: string): Setting<T> =>
  said === null ? { value: fallback, assumed: true, why } : { value: said, assumed: false, why: '' };

/** The source of a figure that rests on a setting. */
export function settingSource(of: Setting<unknown>): Source {
  return of.assumed ? { kind: 'assumed', why: of.why } : { kind: 'user' };
}
