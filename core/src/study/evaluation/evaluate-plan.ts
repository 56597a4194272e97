import type { Figure } from '../../base/index.js';
import { assembleStack, type Catalogue, enumerateStacks } from '../../equipment/index.js';
import { hourlyByTierWh, type Tier } from '../../house/index.js';
import {
  chosenFor,
  type Island,
  islandPlan,
  islandsOf,
  type Plan,
  type Settings,
} from '../../design/index.js';
import { compareDemands } from '../demand/compare-demands.js';
import type { DemandView } from '../demand/demand-view.js';
import type { PowerDemand } from '../demand/power-demand.js';
import type { DemandContext } from '../margins/demand-context.js';
import { demandContextOf } from '../margins/demand-context-of.js';
import { judgeStack, type JudgedStack } from './judge-stack.js';
import { loadEffects, type LoadEffect } from './load-effects.js';
import type { Margin } from '../margins/margin.js';
import { deliveredEnergyFigure, requiredNameplateFigure } from '../margins/requirement.js';

export interface Requirement {
  readonly delivered: Figure;
  readonly lithium: Figure;
  readonly leadAcid: Figure;
}

/** Everything Levamen says about a job. */
export interface Evaluation {
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
  /** The stack the margins are for: the user's choice, else the suggestion, else the nearest. */
  readonly selected: JudgedStack | null;
  readonly selectedBy: 'user' | 'suggestion' | 'nearest';
  /** Why the user's choice does not go together; '' where it does. */
  readonly chosenProblem: string;
  readonly suggested: JudgedStack | null;
  /** Stacks that satisfy every limit, smallest first. */
  readonly meeting: readonly JudgedStack[];
  /** Stacks smaller than the suggestion, or all where there is none: each fails something. */
  readonly smaller: readonly JudgedStack[];
  /** Those that fail by least. */
  readonly nearly: readonly JudgedStack[];
  readonly margins: readonly Margin[];
  /** What each load costs; worked out when it is first looked at, since the margins do not need it. */
  readonly loads: ReadonlyMap<string, LoadEffect>;
}

const worstRatio = ({ lacks }: JudgedStack): number => lacks[0]?.ratio ?? 0;

/**
 * Works out a job: demand, requirement, every stack of the catalogue against every limit, and the margins of the selected one.
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
  const judged = enumerateStacks(catalogue, plan.supply.system).map((stack) => judgeStack(context, stack));
  const meeting = judged.filter(({ meets }) => meets);
  const suggested = meeting[0] ?? null;
  const failing = judged.filter(({ lacks }) => lacks.length > 0);
  const nearly = failing.toSorted((a, b) => worstRatio(a) - worstRatio(b)).slice(0, 5);
  // Where nothing is backed up, the stack there is.
  const parts = island ? chosenFor(plan, island) : (plan.equipment.stacks[0]?.parts ?? null);
  const chosen = parts && assembleStack(parts, catalogue, plan.supply.system);
  const selected = chosen?.ok
    ? judgeStack(context, chosen.stack)
    : (suggested ?? nearly[0] ?? judged[0] ?? null);
  const chosenProblem = chosen && !chosen.ok ? chosen.problem : '';
  let effects: ReadonlyMap<string, LoadEffect> | undefined;
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
    selected,
    selectedBy: chosen?.ok ? 'user' : suggested ? 'suggestion' : 'nearest',
    chosenProblem,
    suggested,
    meeting,
    smaller: suggested ? judged.slice(0, judged.indexOf(suggested)) : failing,
    nearly,
    margins: selected?.margins ?? [],
    get loads() {
      return (effects ??= loadEffects(context, selected, whole.loads));
    },
  };
}
