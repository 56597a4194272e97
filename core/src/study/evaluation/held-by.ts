import type { Margin } from '../margins/margin.js';

/** Margins, and whether they hold. */
export interface HeldMargins {
  readonly margins: readonly Margin[];
  /** Binding margins that fail, or whose limit nobody has stated; worst first. */
  readonly lacks: readonly Margin[];
  /** Nothing that binds fails; where the runtime is rough, that is a guess. */
  readonly meets: boolean;
}

/** What margins come to. */
export function heldBy(margins: readonly Margin[]): HeldMargins {
  const lacks = margins
    .filter(({ binding, verdict, limitNotStated }) => binding && (verdict === 'fails' || limitNotStated))
    .toSorted((a, b) => b.ratio - a.ratio);
  return { margins, lacks, meets: lacks.length === 0 };
}
