import { type Catalogue, enumerateStacks, type Stack } from '../../equipment/index.js';

import {
  type BenchItem,
  benchItems,
  chooseFor,
  type Island,
  islandPlan,
  type Lane,
  leftOutLane,
  moveToLane,
  type Plan,
  runningLoads,
} from '../../design/index.js';
import { demandContextOf } from '../margins/demand-context-of.js';
import type { DemandContext } from '../margins/demand-context.js';
import { judgeStack } from '../evaluation/judge-stack.js';
import type { MarginKey } from '../margins/margin.js';
import { itemEffects } from './item-effects.js';
import { smallestHolding } from '../evaluation/smallest-holding.js';
import type { Simulation } from '../outage/simulation.js';
import { outcomeOf, type Outcome } from './outcome.js';
import { substituteOutcomes } from './substitute-outcomes.js';
import { withSubstitute } from './substitutes.js';

/** A change that mends what fails, or comes nearest to it. */
export interface WayToMend {
  readonly kind: 'shed' | 'substitute' | 'stack' | 'shorter';
  readonly title: string;
  readonly how: string;
  /** The whole job with it. */
  readonly plan: Plan;
  readonly outcome: Outcome;
}

export interface Mending {
  /** The margin that fails by most. */
  readonly breaks: MarginKey;
  readonly present: Outcome;
  /** Different ways, those that mend everything first. */
  readonly ways: readonly WayToMend[];
}

/** How far an outcome is from holding. */
const shortfall = ({ fails }: Outcome): number => fails.reduce((sum, { ratio }) => sum + ratio, 0);

/** Least wanted first; among equals the one that frees most. */
const wanted = (item: BenchItem): number =>
  Math.max(0, ...item.loads.map(({ tier }) => ({ must: 1000, should: 10, may: 1, never: 0 })[tier]));

/**
 * What breaks first, and different ways out: shed or drop the circuits that are wanted least, a substitute such as a soft
 * starter, the next larger stack of the same inverter or the smallest one that holds, or fewer hours.
 *
 * @param whole the plan
 * @param stack the selected one of the island
 * @param simulation what a way comes to, and whether it holds, is simulated
 * @returns null where every binding margin holds
 */
export async function waysToMend(
  whole: Plan,
  catalogue: Catalogue,
  island: Island,
  stack: Stack,
  simulation: Simulation,
): Promise<Mending | null> {
  const outcome = async (plan: Plan, on = stack): Promise<Outcome> =>
    outcomeOf(islandPlan(plan, island), on, await simulation.outlook(plan, on.parts));
  const present = await outcome(whole);
  const worst = present.fails[0];
  if (!worst) return null;
  const ways: WayToMend[] = [];
  const offer = (kind: WayToMend['kind'], title: string, how: string, plan: Plan, after: Outcome): void => {
    ways.push({ kind, title, how, plan, outcome: after });
  };

  const lane = leftOutLane(whole, island);
  const dropped = await dropUntilItHolds(whole, island, stack, lane, present, outcome);
  if (dropped) {
    offer(
      'shed',
      `${laneVerb(lane)}: ${fewNames(dropped.names)}`,
      laneHow(lane),
      dropped.plan,
      dropped.outcome,
    );
  }

  const plan = islandPlan(whole, island);
  const runs = runningLoads(whole);
  const best = (await substituteOutcomes(whole, island, stack, simulation))
    .filter(({ substitute }) => runs.has(substitute.loadId))
    .toSorted((x, y) => shortfall(x.outcome) - shortfall(y.outcome))[0];
  if (best && ratioOf(best.outcome, worst.key) < worst.ratio - 1e-9) {
    const { substitute } = best;
    const substituted = withSubstitute(whole, substitute);
    offer('substitute', substitute.title, substitute.how, substituted, best.outcome);
    // Where neither is enough by itself, both together may be.
    const both =
      dropped === null
        ? await dropUntilItHolds(substituted, island, stack, lane, best.outcome, outcome)
        : null;
    if (both)
      offer(
        'shed',
        `${substitute.title}, and ${laneVerb(lane).toLowerCase()}: ${fewNames(both.names)}`,
        `${substitute.how} ${laneHow(lane)}`,
        both.plan,
        both.outcome,
      );
  }

  const context = demandContextOf(plan);
  const holds = (on: Stack): Promise<boolean> => simulation.holds(whole, on.parts);
  for (const larger of await largerStacks(catalogue, context, stack, holds)) {
    const enlarged = chooseFor(whole, island, larger.parts);
    offer(
      'stack',
      `Larger stack: ${larger.name}`,
      larger.inverter.id === stack.inverter.id
        ? 'More of the same units.'
        : 'The smallest of the catalogue that holds.',
      enlarged,
      await outcome(enlarged, larger),
    );
  }
  if (worst.key === 'runtime' && Number.isFinite(present.runtimeH)) {
    const hours = Math.max(0.5, Math.floor(present.runtimeH * 2) / 2);
    const shorter = { ...whole, brief: { ...whole.brief, requiredRuntimeH: hours } };
    offer(
      'shorter',
      `Ask for ${hours} h instead of ${context.settings.requiredRuntimeH.value} h`,
      'A promise the present stack keeps; agree it with the household.',
      shorter,
      await outcome(shorter),
    );
  }
  return {
    breaks: worst.key,
    present,
    ways: ways.toSorted((a, b) => a.outcome.fails.length - b.outcome.fails.length),
  };
}

const ratioOf = ({ margins }: Outcome, key: MarginKey): number =>
  margins.find((margin) => margin.key === key)?.ratio ?? 0;

interface Dropped {
  readonly plan: Plan;
  readonly names: readonly string[];
  readonly outcome: Outcome;
}

/** Loads that never should run, and circuits that count on somebody to walk to the panel, are the first to go. */
const goesFirst = ({ lane, loads }: BenchItem): boolean =>
  lane === 'hand' || loads.every(({ tier }) => tier === 'never');

const droppedFrom = (plan: Plan, { id, circuit }: BenchItem, lane: Lane): Plan =>
  moveToLane(
    plan,
    { circuitIds: circuit ? [id] : [], loadIds: circuit ? [] : [id] },
    circuit ? lane : 'dark',
  );

/**
 * Takes circuits out, one by one, until everything holds: first what should never run and what is shed by hand, then the one whose
 * absence mends most, those that are wanted least before others. Those that turn out not to be needed for it come back. Where
 * all but the musts are out and something still fails, nothing is offered: it is no way out.
 */
async function dropUntilItHolds(
  whole: Plan,
  island: Island,
  stack: Stack,
  lane: Lane,
  present: Outcome,
  outcome: (plan: Plan) => Promise<Outcome>,
): Promise<Dropped | null> {
  let plan = whole;
  let now = present;
  const dropped: BenchItem[] = [];
  while (now.fails.length > 0) {
    const next = nextToDrop(plan, island, stack, now);
    if (!next) return null;
    dropped.push(next);
    plan = droppedFrom(plan, next, lane);
    now = await outcome(plan);
  }
  if (dropped.length === 0) return null;
  let kept = dropped;
  for (const item of dropped.slice(0, -1).toSorted((a, b) => wanted(b) - wanted(a))) {
    const fewer = kept.filter((one) => one !== item);
    const without = fewer.reduce((so, one) => droppedFrom(so, one, lane), whole);
    const after = await outcome(without);
    if (after.fails.length > 0) continue;
    [kept, plan, now] = [fewer, without, after];
  }
  return { plan, names: kept.map(({ name }) => name), outcome: now };
}

/** The circuit to take out next; null where only musts are left. */
function nextToDrop(plan: Plan, island: Island, stack: Stack, now: Outcome): BenchItem | null {
  const here = islandPlan(plan, island);
  const context = demandContextOf(here);
  const items = benchItems(here, island).filter(
    (item) => (item.lane === 'on' || item.lane === 'hand') && item.loads.length > 0 && wanted(item) < 1000,
  );
  const effects = itemEffects(context, judgeStack(context, stack), items);
  const helps = (item: BenchItem): number => {
    const effect = effects.get(item.id)!;
    return now.fails[0]!.key === 'runtime' ? effect.energyWhPerDay : effect.runningVA;
  };
  const mends = (item: BenchItem): number => effects.get(item.id)!.wouldMend.length;
  return (
    items.toSorted(
      (a, b) =>
        Number(goesFirst(b)) - Number(goesFirst(a)) ||
        mends(b) - mends(a) ||
        wanted(a) - wanted(b) ||
        helps(b) - helps(a),
    )[0] ?? null
  );
}

const laneVerb = (lane: Lane): string => (lane === 'auto' ? 'Shed' : 'Leave dark');
const laneHow = (lane: Lane): string =>
  lane === 'auto' ? 'By a device, as the outage begins.' : 'They stay on the grid side.';

/** The first few names, and how many more there are. */
const fewNames = (names: readonly string[]): string =>
  names.length > 4 ? `${names.slice(0, 3).join(', ')} and ${names.length - 3} more` : names.join(', ');

/** The next larger stack of the same inverter that holds, and the smallest of all that does. */
async function largerStacks(
  catalogue: Catalogue,
  context: DemandContext,
  present: Stack,
  holds: (stack: Stack) => Promise<boolean>,
): Promise<Stack[]> {
  const { system } = context.plan.supply;
  const others = enumerateStacks(catalogue, system)
    .filter(({ name }) => name !== present.name)
    .map((stack) => judgeStack(context, stack));
  const same = others.filter(({ stack }) => stack.inverter.id === present.inverter.id);
  const names = [
    (await smallestHolding(same, holds)).smallest,
    (await smallestHolding(others, holds)).smallest,
  ];
  return [...new Set(names)].flatMap((name) => {
    const found = others.find(({ stack }) => stack.name === name);
    return found ? [found.stack] : [];
  });
}
