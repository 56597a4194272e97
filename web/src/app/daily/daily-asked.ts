import type { Plan } from '@levamen/core/design';
import type { MeasuredYear } from '@levamen/core/house/details';
import type { WeatherYear } from '@levamen/core/nature';
import type { Evaluation } from '@levamen/core/study';
import type { StacksInUse } from '@levamen/core/study/details';
import type { DailyAsked } from '../workers/daily-api';

/** The stacks of a design: those that were chosen, and on the island that is looked at the one in use. */
export function stacksInUse(
  { equipment }: Pick<Plan, 'equipment'>,
  evaluation: Pick<Evaluation, 'island' | 'selected'> | null,
): StacksInUse {
  const chosen = Object.fromEntries(equipment.stacks.map(({ islandId, parts }) => [islandId, parts]));
  const { island, selected } = evaluation ?? {};
  return island && selected ? { ...chosen, [island.id]: selected.stack.parts } : chosen;
}

/** The year to ask for: in the intervals of what was measured, else in hours. */
export const dailyAsked = (
  plan: Plan,
  weather: WeatherYear | null,
  stacks: StacksInUse,
  measured: MeasuredYear | null,
): DailyAsked => ({ plan, weather, stacks, intervalMin: measured?.intervalMin ?? 60, measured });
