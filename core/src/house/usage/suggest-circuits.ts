import type { PlacedCircuit } from '../panels/find-circuit.js';

const words = (text: string): string[] =>
  text
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .split(' ')
    .filter((word) => word.length > 1 && !/^(circuit|ckt|channel|ch|the|and|of|l[123])$/.test(word));

const pairs = (text: string): Map<string, number> => {
  const found = new Map<string, number>();
  for (let i = 0; i + 1 < text.length; i += 1) {
    const pair = text.slice(i, i + 2);
    found.set(pair, (found.get(pair) ?? 0) + 1);
  }
  return found;
};

/** Likeness of two names, 0 to 1: the Sørensen–Dice coefficient of their letter pairs, words in any order. */
export function nameLikeness(a: string, b: string): number {
  const left = words(a).toSorted().join(' ');
  const right = words(b).toSorted().join(' ');
  if (left === '' || right === '') return 0;
  if (left === right) return 1;
  const [one, two] = [pairs(left), pairs(right)];
  let common = 0;
  for (const [pair, n] of one) common += Math.min(n, two.get(pair) ?? 0);
  return (2 * common) / Math.max(1, left.length + right.length - 2);
}

const leastLikeness = 0.45;

/**
 * Which circuit each channel seems to measure, by name: the most alike pair first, each circuit and each channel once.
 *
 * @returns circuit id by channel name
 */
export function suggestCircuits(
  channels: readonly string[],
  circuits: readonly PlacedCircuit[],
): Map<string, string> {
  const candidates = channels.flatMap((channel) =>
    circuits.map(({ circuit }) => ({
      channel,
      circuitId: circuit.id,
      likeness: nameLikeness(channel, circuit.name),
    })),
  );
  const found = new Map<string, string>();
  const taken = new Set<string>();
  for (const { channel, circuitId, likeness } of candidates.toSorted((a, b) => b.likeness - a.likeness)) {
    if (likeness < leastLikeness) break;
    if (found.has(channel) || taken.has(circuitId)) continue;
    found.set(channel, circuitId);
    taken.add(circuitId);
  }
  return found;
}
