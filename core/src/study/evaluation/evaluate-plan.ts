import type { Figure } from '../../base/index.js';
import { type Catalogue, enumerateStacks, type Stack } from '../../equipment/index.js';
import { hourlyByTierWh, type Tier } from '../../house/index.js';
import {
  asMeasured,
  chosenFor,
  type Island,
  islandPlan,
  islandsOf,
  type Plan,
  type Settings,
  stackIn,
} from '../../design/index.js';
import { compareDemands } from '../demand/compare-demands.js';
import type { DemandView } from '../demand/demand-view.js';
import type { PowerDemand } from '../demand/power-demand.js';
import type { DemandContext } from '../margins/demand-context.js';
import { demandContextOf } from '../margins/demand-context-of.js';
import { judgeStack, type JudgedStack } from './judge-stack.js';
import { selectStack, type StackSelection } from './select-stack.js';
import { deliveredEnergyFigure, requiredNameplateFigure } from '../margins/requirement.js';

export interface Requirement {
  readonly delivered: Figure;
  readonly lithium: Figure;
  readonly leadAcid: Figure;
}

/** Everything Levamen says about a job. */
export interface Evaluation extends StackSelection {
  /** What sources feed while the grid is away; each is judged on its own. */
  readonly islands: readonly Island[];
  /** The one everything here is about; null where no service is backed up. */
  readonly island: Island | null;
  readonly context: DemandContext;
  readonly settings: Settings;
  /** Hourly energy of the backup set by tier in the design season, Wh. */
  readonly hourlyByTierWh: Readonly<Record<Tier, Float64Array>>;
  readonly power: PowerDemand;
  readonly demandViews: readonly DemandView[];
  readonly requirement: Requirement;
  /** Why the user's choice does not go together; '' where it does. */
  readonly chosenProblem: string;
  /** Every stack of the catalogue, smallest first. */
  readonly judged: readonly JudgedStack[];
}

/**
 * Works out a job: demand, requirement, every stack of the catalogue against every limit, and the margins of the selected one.
 * Runtimes are rough until simulation has its say, see {@link withRuntimes}.
 *
 * @param whole a valid job
 * @param catalogue units to choose from
 * @param islandId the island to judge; the first one where there is no such island
 */
export function evaluatePlan(whole: Plan, catalogue: Catalogue, islandId = ''): Evaluation {
  const islands = islandsOf(whole);
  const island = islands.find(({ id }) => id === islandId) ?? islands[0] ?? null;
  const plan = island ? islandPlan(whole, island) : { ...whole, loads: [] };
  const context = demandContextOf(plan);
  const known = (stack: Stack): Stack => (island ? asMeasured(plan, island.id, stack) : stack);
  const judged = enumerateStacks(catalogue, plan.supply.system).map((stack) =>
    judgeStack(context, known(stack)),
  );
  // Where nothing is backed up, the stack there is.
  const parts = island ? chosenFor(plan, island) : (plan.equipment.stacks[0]?.parts ?? null);
  const chosen = parts && stackIn(plan, island?.id ?? '', parts, catalogue);
  const selection = selectStack(judged, chosen?.ok ? judgeStack(context, chosen.stack) : null, null);
  const chosenProblem = chosen && !chosen.ok ? chosen.problem : '';
  return {
    islands,
    island,
    context,
    settings: context.settings,
    hourlyByTierWh: hourlyByTierWh(context.backupSet, context.settings.designSeason.value),
    power: context.power,
    demandViews: compareDemands(plan, context.settings, context.powerSet, context.power),
    requirement: {
      delivered: deliveredEnergyFigure(context),
      lithium: requiredNameplateFigure(context, 'lithium'),
      leadAcid: requiredNameplateFigure(context, 'lead-acid'),
    },
    ...selection,
    chosenProblem,
    judged,
  };
}
