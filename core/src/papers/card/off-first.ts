import type { Load } from '../../house/index.js';
import type { Plan } from '../../design/index.js';
import type { IslandStudy } from '../study/design-study.js';

/** A load that the household can do without, and what that gains. */
export interface OffFirst {
  readonly load: Load;
  /** The outages near the runtime last so much longer on average without it, h. */
  readonly gainsH: number;
}

/** Less than this is not worth a line, h. */
const leastGainH = 0.2;

/** Loads that need not run, by what it gains to leave each off, simulated; most first. */
export function offFirst(plan: Plan, { evaluation, stack, simulation }: IslandStudy): OffFirst[] {
  if (!stack) return [];
  const loads = evaluation.context.backupSet.filter(({ tier }) => tier !== 'must');
  const years = simulation.shifts(
    plan,
    stack.parts,
    loads.map(({ id }) => ({ id, loadIds: [id] })),
  );
  return loads
    .map((load, index): OffFirst => {
      const longer = years.flatMap((groups) => Array.from(groups[index]?.longerMin ?? []));
      const gainsH = longer.reduce((sum, minutes) => sum + minutes, 0) / Math.max(1, longer.length) / 60;
      return { load, gainsH };
    })
    .filter(({ gainsH }) => gainsH >= leastGainH)
    .toSorted((a, b) => b.gainsH - a.gainsH);
}
