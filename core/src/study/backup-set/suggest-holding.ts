import { type Catalogue, type StackPart } from '../../equipment/index.js';
import { islandPlan, islandOf, type Plan, settingsOf, stackIn } from '../../design/index.js';
import { demandContextOf } from '../margins/demand-context-of.js';
import { stackEnergy, stackRuntime } from '../margins/stack-energy.js';
import { decidingHours } from '../outage/deciding-hours.js';
import type { Simulation } from '../outage/simulation.js';
import { suggestBackup, type Suggestion, takeSuggestion } from './suggestion.js';

/** So often a set is searched for at most, with the closed formula brought closer to simulation each time. */
const mostRounds = 6;

/**
 * The best backup set for a stack that holds in simulated outages. Sets are searched by the closed formula; how far it is from simulation is
 * measured on the present set and on every set it finds, until one holds.
 *
 * @param newStop begins the time of one search; what it gives is asked from time to time, and true ends that search
 * @returns null where the units do not go together or nothing is backed up
 */
export async function suggestHolding(
  whole: Plan,
  catalogue: Catalogue,
  islandId: string,
  parts: readonly StackPart[],
  simulation: Simulation,
  newStop: () => () => boolean = () => () => false,
): Promise<Suggestion | null> {
  const settings = settingsOf(whole);
  const requiredH = settings.requiredRuntimeH.value;
  let scale = await scaleOfPresent(whole, catalogue, islandId, parts, simulation);
  let last: Suggestion | null = null;
  for (let round = 0; round < mostRounds; round += 1) {
    const found = suggestBackup(whole, catalogue, islandId, parts, newStop(), scale);
    if (found === null || whole.brief.goals.outage !== 'decides') return found;
    const outlook = await simulation.outlook(takeSuggestion(whole, found), parts);
    if (outlook === null) return found;
    const reachedH = decidingHours(settings, outlook);
    const holds = reachedH >= requiredH - 1e-9;
    if (holds && found.mustsBreak !== 'runtime') return { ...found, reachedH };
    last = found;
    // The musts alone were thought to fall short, and do not: more may fit. Else fewer do.
    scale *= holds
      ? Math.min(0.95, (requiredH / reachedH) * 1.02)
      : Math.max(1.02, Math.min(3, (requiredH / Math.max(reachedH, 0.1)) * 1.01));
  }
  return last;
}

/** Closed formula over simulation for the present set; 1 where that says nothing. */
async function scaleOfPresent(
  whole: Plan,
  catalogue: Catalogue,
  islandId: string,
  parts: readonly StackPart[],
  simulation: Simulation,
): Promise<number> {
  const island = islandOf(whole, islandId);
  const assembled = stackIn(whole, islandId, parts, catalogue);
  const outlook = await simulation.outlook(whole, parts);
  if (!island || !assembled.ok || outlook === null) return 1;
  const context = demandContextOf(islandPlan(whole, island));
  const { runtimeH } = stackRuntime(
    assembled.stack,
    stackEnergy(assembled.stack, context.settings),
    context.stages,
  );
  const reachedH = decidingHours(context.settings, outlook);
  const says = Number.isFinite(runtimeH) && reachedH > 0.1 && reachedH < outlook.followedH - 1e-6;
  return says ? Math.min(3, Math.max(0.2, runtimeH / reachedH)) : 1;
}
