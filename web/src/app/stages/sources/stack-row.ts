import type { JudgedStack } from '@levamen/core/study';

/** One stack as the tables of Sources show it. */
export interface StackRow {
  readonly judged: JudgedStack;
  readonly name: string;
  readonly selected: boolean;
  readonly suggested: boolean;
  /** With fees and taxes; '' = nothing is priced, '+' behind it = something in it has no price. */
  readonly price: string;
  /** What 19 of 20 outages reach (half, where the brief counts on usual weather); '≈' before it while it is rough. */
  readonly runtime: string;
  /** "runtime 22 h of 24 h; starting 10 kVA of 9 kVA" */
  readonly lacks: string;
}
