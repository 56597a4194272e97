import { type LegSet, legsOf } from './legs.js';

/**
 * Legs as somebody types them: "L1-L2", "l1 l2", "12", "1-2", "both" or "all" for as many as there are.
 *
 * @param choices those that may be had; not empty
 * @returns null where none of them is meant
 */
export function readLegs(text: string, choices: readonly LegSet[]): LegSet | null {
  const typed = text.trim().toLowerCase();
  const widest = choices.reduce((a, b) => (legsOf(b).length > legsOf(a).length ? b : a));
  if (typed === 'both' || typed === 'all') return widest;
  if (!/^[l123\s,+/-]+$/.test(typed)) return null;
  const numbers = [...new Set(typed.replace(/[^123]/g, ''))].toSorted().join('');
  return choices.find((set) => set.replace(/[^123]/g, '') === numbers) ?? null;
}
