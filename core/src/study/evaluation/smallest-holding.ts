import type { Stack } from '../../equipment/index.js';
import type { JudgedStack } from './judge-stack.js';

/** What a search found out about stacks. */
export interface FoundStacks {
  /** The smallest that holds; null where none does. */
  readonly smallest: string | null;
  /** Names of stacks that fall short, tried or smaller than one that was. */
  readonly short: readonly string[];
}

/** Stacks that differ in the number of their batteries only. More battery never shortens an outage. */
const familyOf = ({ parts }: Stack): string =>
  parts.map(({ unitId, quantity }, index) => (index === 0 ? `${quantity} ${unitId}` : unitId)).join('+');

/**
 * The smallest of several stacks that holds in simulated outages. One family after the other is searched by halves, and of each
 * only what is smaller than the best so far; the rough runtime says where to begin.
 *
 * @param judged smallest first; those whose other margins fail are passed over
 * @param holds asks the simulation
 */
export async function smallestHolding(
  judged: readonly JudgedStack[],
  holds: (stack: Stack) => Promise<boolean>,
): Promise<FoundStacks> {
  const candidates = judged.filter(({ lacks }) => lacks.every(({ rough }) => rough));
  const families = new Map<string, JudgedStack[]>();
  for (const one of candidates) {
    const name = familyOf(one.stack);
    families.set(name, [...(families.get(name) ?? []), one]);
  }
  const guess = candidates.find(({ lacks }) => lacks.length === 0) ?? candidates.at(-1);
  const first = guess ? familyOf(guess.stack) : '';
  const short = new Set<string>();
  let bestPlace = candidates.length;
  for (const name of [...families.keys()].toSorted((a, b) => Number(b === first) - Number(a === first))) {
    const family = families.get(name)!.filter((one) => candidates.indexOf(one) < bestPlace);
    let low = 0;
    let high = family.length;
    // The first is begun where it is likely to hold; of the others the largest decides whether to look further.
    let next = name === first ? family.indexOf(guess!) : high - 1;
    while (low < high) {
      const one = family[next]!;
      if (await holds(one.stack)) {
        bestPlace = candidates.indexOf(one);
        high = next;
      } else {
        for (const smaller of family.slice(low, next + 1)) short.add(smaller.stack.name);
        low = next + 1;
      }
      next = (low + high) >> 1;
    }
  }
  return { smallest: candidates[bestPlace]?.stack.name ?? null, short: [...short] };
}
