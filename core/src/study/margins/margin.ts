import type { Figure } from '../../base/index.js';

export const marginKeys = ['runtime', 'continuous', 'starting', 'legs', 'gap', 'daily'] as const;
export type MarginKey = (typeof marginKeys)[number];

export type Verdict = 'holds' | 'tight' | 'fails' | 'unknown';

/** A demand against a limit. */
export interface Margin {
  readonly key: MarginKey;
  readonly label: string;
  readonly verdict: Verdict;
  /** Demand ÷ limit: above 1 it fails. NaN where nothing is known. */
  readonly ratio: number;
  /** A binding margin must hold for a stack to be chosen; the others are shown for information. */
  readonly binding: boolean;
  readonly demand: Figure;
  readonly limit: Figure;
  /** The data sheet does not give the limit, and what stands in for it is not enough: not yet known, and so it does not hold. */
  readonly limitNotStated: boolean;
  /** Worked out by a rough stand-in; says "≈", and nothing is decided by it. */
  readonly rough: boolean;
  /** Share of simulated outages of the required length that an overload of this kind ends early; null where none were played. */
  readonly cutShortShare: number | null;
  /** True where the limit was not looked for beyond its value. */
  readonly limitAtLeast: boolean;
  /** What makes it so. */
  readonly culprit: string;
  /** What would cure it. */
  readonly cure: string;
}

/** Less than this is left: tight. */
const tightAbove = 0.9;

/** holds up to 90 % of the limit, tight up to the limit, fails beyond. */
export function verdictOf(ratio: number): Verdict {
  if (Number.isNaN(ratio)) return 'unknown';
  if (ratio > 1 + 1e-9) return 'fails';
  return ratio > tightAbove ? 'tight' : 'holds';
}

type MarginNow = Pick<Margin, 'key' | 'label' | 'ratio' | 'binding'> &
  Partial<Pick<Margin, 'limitAtLeast' | 'limitNotStated' | 'rough' | 'cutShortShare'>> & {
    /** It holds, but hardly, however much seems to be left. */
    readonly hardly?: boolean;
  };
type MarginWorking = Pick<Margin, 'demand' | 'limit' | 'culprit' | 'cure'>;

/**
 * A margin whose working is put together only when somebody looks at it: hundreds of stacks are judged at every edit, and
 * few of them are ever opened.
 */
export function margin({ hardly = false, ...now }: MarginNow, working: () => MarginWorking): Margin {
  let known: MarginWorking | undefined;
  const verdict = now.limitNotStated ? 'unknown' : verdictOf(now.ratio);
  const look = (): MarginWorking => (known ??= working());
  return {
    limitAtLeast: false,
    limitNotStated: false,
    rough: false,
    cutShortShare: null,
    ...now,
    verdict: hardly && verdict === 'holds' ? 'tight' : verdict,
    get demand() {
      return look().demand;
    },
    get limit() {
      return look().limit;
    },
    get culprit() {
      return look().culprit;
    },
    get cure() {
      return look().cure;
    },
  };
}
