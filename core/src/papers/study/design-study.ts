import type { WeatherYear } from '../../nature/index.js';
import { type Catalogue, catalogueOf, type Item, type Stack } from '../../equipment/index.js';
import { chosenFor, type Island, type Plan, stackIn } from '../../design/index.js';
import {
  materialOf,
  type MaterialLine,
  type StackOf,
  wireDesign,
  type WiredDesign,
} from '../../wiring/index.js';
import {
  evaluatePlan,
  type Evaluation,
  type SeasonOutlook,
  smallestHolding,
  withRuntimes,
} from '../../study/index.js';
import { LocalSimulation } from '../../study/details.js';
import { type OfferTotal, type PriceBook, pricer } from '../../offer/index.js';
import { designOf, type Job, planOf } from '../../job/index.js';

/** What a paper is made from: the job, what its company offers, and the weather it names. */
export interface PaperSources {
  readonly job: Job;
  /** Everything the job may be designed with. */
  readonly items: readonly Item[];
  /** null = nothing has a price. */
  readonly book: PriceBook | null;
  /** The year read from a file; null = synthetic ones. */
  readonly weather: WeatherYear | null;
}

/** An island of a design with what feeds it, as it is simulated. */
export interface IslandStudy {
  readonly island: Island;
  readonly evaluation: Evaluation;
  /** The stack in use; null = none is chosen, and none holds. */
  readonly stack: Stack | null;
  readonly outlook: SeasonOutlook | null;
  /** Answers further questions about it, and knows what it has worked out already. */
  readonly simulation: LocalSimulation;
}

/** A design, worked out as the stages show it. */
export interface DesignStudy {
  readonly id: string;
  readonly name: string;
  readonly plan: Plan;
  readonly catalogue: Catalogue;
  readonly weather: WeatherYear | null;
  readonly islands: readonly IslandStudy[];
  readonly stackOf: StackOf;
  readonly wired: WiredDesign;
  readonly material: readonly MaterialLine[];
  /** null = the company has no prices, or nothing is chosen. */
  readonly price: OfferTotal | null;
}

/** After the search, the nearest one that falls short is played at most so many times: which that is changes as it is played. */
const mostRounds = 6;

async function studyIsland(
  plan: Plan,
  catalogue: Catalogue,
  weather: WeatherYear | null,
  islandId: string,
): Promise<IslandStudy | null> {
  const rough = evaluatePlan(plan, catalogue, islandId);
  const { island } = rough;
  if (!island) return null;
  const simulation = new LocalSimulation(plan, catalogue, island.id, weather);
  const outlooks = new Map<string, SeasonOutlook>();
  const look = async ({ name, parts }: Stack): Promise<void> => {
    const outlook = await simulation.outlook(plan, parts);
    if (outlook) outlooks.set(name, outlook);
  };
  const found =
    rough.selectedBy === 'user' || rough.context.backupSet.length === 0
      ? null
      : await smallestHolding(rough.judged, ({ parts }) => simulation.holds(plan, parts));
  let evaluation = withRuntimes(rough, { outlooks, found });
  for (let round = 0; round < mostRounds; round += 1) {
    const { selected } = evaluation;
    if (!selected || selected.simulated) break;
    const before = outlooks.size;
    await look(selected.stack);
    evaluation = withRuntimes(rough, { outlooks, found });
    if (outlooks.size === before) break;
  }
  const stack = evaluation.selected?.stack ?? null;
  const outlook = (stack && outlooks.get(stack.name)) ?? null;
  return { island, evaluation, stack, outlook, simulation };
}

/** Works a design out as the stages do: every island simulated, the suggestion searched for where nobody has chosen, wired and priced. */
export async function studyDesign(
  { job, items, book, weather }: PaperSources,
  designId: string,
): Promise<DesignStudy> {
  const { id, name } = designOf(job, designId);
  const plan = planOf(job, id);
  const catalogue = catalogueOf(items);
  const islands: IslandStudy[] = [];
  for (const one of evaluatePlan(plan, catalogue).islands) {
    const study = await studyIsland(plan, catalogue, weather, one.id);
    if (study) islands.push(study);
  }
  const stackOf: StackOf = (island) => {
    const parts = chosenFor(plan, island);
    if (!parts) return islands.find((one) => one.island.id === island.id)?.stack ?? null;
    const assembled = stackIn(plan, island.id, parts, catalogue);
    return assembled.ok ? assembled.stack : null;
  };
  const wired = wireDesign(plan, stackOf);
  const material = materialOf(plan, stackOf, wired);
  const [first] = islands;
  return {
    id,
    name,
    plan,
    catalogue,
    weather,
    islands,
    stackOf,
    wired,
    material,
    price: book && first?.stack ? pricer(items, book)(plan, first.island, first.stack, material) : null,
  };
}
