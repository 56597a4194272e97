import type { Stack } from '../../equipment/index.js';
import type { Margin } from '../margins/margin.js';
import type { JudgedStack } from './judge-stack.js';
import type { FoundStacks } from './smallest-holding.js';

/** Which stack a design is judged with, and which others there are. */
export interface StackSelection {
  /** The stack the margins are for: the user's choice, else the suggestion, else the nearest. */
  readonly selected: JudgedStack | null;
  readonly selectedBy: 'user' | 'suggestion' | 'nearest';
  readonly suggested: JudgedStack | null;
  /** Simulation has decided what is suggested; else it is a rough guess. */
  readonly searched: boolean;
  /** Stacks from the suggestion on in which nothing fails, smallest first. */
  readonly meeting: readonly JudgedStack[];
  /** Stacks smaller than the suggestion, or all where there is none: each fails something. */
  readonly smaller: readonly JudgedStack[];
  /** Those that fail by least. */
  readonly nearly: readonly JudgedStack[];
  readonly margins: readonly Margin[];
  /** Simulation has found that its outages fall short, without playing them all. */
  readonly isShort: (stack: Stack) => boolean;
}

const worstRatio = ({ lacks }: JudgedStack): number => lacks[0]?.ratio ?? 0;

/**
 * @param judged every stack, smallest first
 * @param chosen by the user
 * @param found by simulation; null: the rough runtimes stand in
 */
export function selectStack(
  judged: readonly JudgedStack[],
  chosen: JudgedStack | null,
  found: FoundStacks | null,
): StackSelection {
  const short = new Set(found?.short);
  const fails = (one: JudgedStack): boolean =>
    one.lacks.some(({ rough }) => !rough) ||
    (found && !one.simulated ? short.has(one.stack.name) : !one.meets);
  const suggested =
    (found ? judged.find(({ stack }) => stack.name === found.smallest) : judged.find(({ meets }) => meets)) ??
    null;
  const from = suggested ? judged.indexOf(suggested) : judged.length;
  const failing = judged.filter(fails);
  const nearly = failing
    .filter(({ lacks }) => lacks.length > 0)
    .toSorted((a, b) => worstRatio(a) - worstRatio(b))
    .slice(0, 5);
  const selected = chosen ?? suggested ?? nearly[0] ?? judged[0] ?? null;
  return {
    selected,
    selectedBy: chosen ? 'user' : suggested ? 'suggestion' : 'nearest',
    suggested,
    searched: found !== null,
    meeting: judged.slice(from).filter((one) => !fails(one)),
    smaller: suggested ? judged.slice(0, from) : failing,
    nearly,
    margins: selected?.margins ?? [],
    isShort: ({ name }) => short.has(name),
  };
}
