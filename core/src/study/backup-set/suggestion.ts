import { type Catalogue, type Stack, type StackPart } from '../../equipment/index.js';
import { circuitsById, type Load } from '../../house/index.js';
import {
  changeShed,
  islandPlan,
  islandOf,
  keepOnly,
  type Lane,
  leftOutLane,
  moveToLane,
  type Plan,
  plannedLoads,
  stackIn,
} from '../../design/index.js';
import type { DemandContext } from '../margins/demand-context.js';
import { demandContextOf } from '../margins/demand-context-of.js';
import { judgeStack } from '../evaluation/judge-stack.js';
import type { MarginKey } from '../margins/margin.js';
import { stackEnergy } from '../margins/stack-energy.js';
import { candidatesOf, type Candidate } from './candidates.js';
import { SetLimits } from './limits/set-limits.js';
import type { BindingLimit } from './search/set-problem.js';
import { suggestSet } from './search/suggest-set.js';

/** A circuit that would change its lane, or is shed for the whole outage instead of a part of it. */
export interface LaneChange {
  readonly itemIds: readonly string[];
  readonly name: string;
  readonly from: Lane;
  readonly to: Lane;
}

/** A circuit that did not fit, and why. */
export interface LeftOut {
  readonly id: string;
  readonly name: string;
  readonly worth: number;
  /** What it breaks on top of the suggested set; 'worth' where it fits but nobody wants it. */
  readonly breaks: readonly (MarginKey | 'spaces' | 'controlled')[];
}

export interface Suggestion {
  /** Circuits and loose loads that stay on. */
  readonly keptIds: readonly string[];
  readonly keptNames: readonly string[];
  /** The lane of those that do not. */
  readonly otherLane: Lane;
  readonly changes: readonly LaneChange[];
  readonly worth: number;
  /** Worth of the present set, whether it holds or not. */
  readonly presentWorth: number;
  readonly proven: boolean;
  readonly boundWorth: number;
  /** What the musts alone break; null where they hold. */
  readonly mustsBreak: BindingLimit | null;
  /** The limits that keep the others out, the one that keeps out most worth first. */
  readonly binding: readonly (MarginKey | 'spaces' | 'controlled')[];
  /** Wanted circuits that did not fit, most wanted first. */
  readonly leftOut: readonly LeftOut[];
  readonly visited: number;
  /** Hours that simulated outages reach with it; null where none were played, or the set does not hold. */
  readonly reachedH: number | null;
}

/** Energy a day that a stack can give for so many hours on average; a set that needs more cannot hold. */
function energyRoomWhPerDay(stack: Stack, usableWh: number, requiredH: number): number {
  return Math.max(0, ((usableWh * stack.dischargeEfficiency - stack.standbyW * requiredH) * 24) / requiredH);
}

const laneOf = ({ items }: Candidate): Lane => items[0]!.lane;

/** The plan with these loads kept for the whole outage, and no others. */
const keeping = (plan: Plan, kept: ReadonlySet<string>): Plan => {
  const only = keepOnly(plan, kept);
  return { ...only, backup: { ...only.backup, lanes: [] } };
};

/**
 * The best backup set for a stack: every must, and of the rest the set with the highest worth that holds every binding limit
 * of the stack and of the wiring school.
 *
 * @param whole the plan
 * @param catalogue units
 * @param islandId what is asked about
 * @param parts the stack
 * @param runtimeScale the required hours are taken to be so many times as many: the closed formula, by which sets are searched,
 *   is brought into line with simulation so
 * @param stop asked from time to time; true ends the search with the best so far
 * @returns null where the units do not go together or nothing is backed up
 */
export function suggestBackup(
  whole: Plan,
  catalogue: Catalogue,
  islandId: string,
  parts: readonly StackPart[],
  stop?: () => boolean,
  runtimeScale = 1,
): Suggestion | null {
  const island = islandOf(whole, islandId);
  const assembled = stackIn(whole, islandId, parts, catalogue);
  if (!island || !assembled.ok) return null;
  const { stack } = assembled;
  const plan = islandPlan(whole, island);
  const contextOf = (of: Plan): DemandContext => {
    const plain = demandContextOf(of);
    const { requiredRuntimeH } = plain.settings;
    const value = requiredRuntimeH.value * runtimeScale;
    return { ...plain, settings: { ...plain.settings, requiredRuntimeH: { ...requiredRuntimeH, value } } };
  };
  const context = contextOf(plan);
  const energy = stackEnergy(stack, context.settings);
  const { candidates, limits: circuits } = candidatesOf(plan, island);
  const planned = plannedLoads(plan);
  const all: Candidate[] = [...candidates, plannedCandidate(planned)];
  const loads = all.flatMap((candidate) => candidate.loads);
  let counted = 0;
  const loadIndex = all.map((candidate) => candidate.loads.map(() => counted++));
  const setLimits = new SetLimits(context, stack, energy, loads);
  const requiredH = plan.brief.goals.outage === 'decides' ? context.settings.requiredRuntimeH.value : 0;
  const roomWh = requiredH === 0 ? Infinity : energyRoomWhPerDay(stack, energy.usableWh, requiredH);
  const best = suggestSet(
    { candidates: all, loadIndex, limits: setLimits, circuits, energyRoomWh: roomWh },
    stop,
  );
  const kept = new Set(best.kept);
  const otherLane = leftOutLane(plan, island);
  // What hangs beside a must is kept with it.
  const mustWorth = candidates.reduce((sum, { fixed, worth }) => sum + (fixed === 'in' ? worth : 0), 0);
  const keptLoads = new Set(
    all.flatMap((candidate, i) => (kept.has(i) ? candidate.loads.map(({ id }) => id) : [])),
  );
  const spacesUsed = best.kept.reduce((sum, i) => sum + all[i]!.spaces, 0);
  const wanted = candidates.filter((candidate, i) => !kept.has(i) && candidate.worth > 0);
  const leftOut = wanted
    .map((candidate): LeftOut => {
      const withIt = new Set([...keptLoads, ...candidate.loads.map(({ id }) => id)]);
      const judged = judgeStack(contextOf(keeping(plan, withIt)), stack);
      const breaks: LeftOut['breaks'] = [
        ...judged.lacks.map(({ key }) => key).filter((key) => key !== 'gap' && key !== 'daily'),
        ...(spacesUsed + candidate.spaces > circuits.spaces ? (['spaces'] as const) : []),
      ];
      return { id: candidate.id, name: candidate.name, worth: candidate.worth, breaks };
    })
    .toSorted((a, b) => b.worth - a.worth);
  const weight = new Map<LeftOut['breaks'][number], number>();
  for (const { breaks, worth } of leftOut) {
    for (const key of breaks) weight.set(key, (weight.get(key) ?? 0) + worth);
  }
  const changes = candidates.flatMap((candidate, i): LaneChange[] => {
    const from = laneOf(candidate);
    // What hangs on nothing stays where it is, and what is unplugged stays unplugged.
    if (candidate.loads.length === 0) return [];
    if (candidate.items.every(({ circuit, lane }) => circuit === null && lane === 'hand')) return [];
    // The search counts nothing of what it leaves out; so nothing of it may run for a part of the outage.
    const runs = candidate.items.some(
      ({ lane, shed }) => lane === 'hand' || (shed && shed.when !== 'outage'),
    );
    const to: Lane = kept.has(i) ? 'on' : from === 'on' || runs ? otherLane : from;
    return from === to && (kept.has(i) || !runs)
      ? []
      : [{ itemIds: candidate.items.map(({ id }) => id), name: candidate.name, from, to }];
  });
  return {
    keptIds: candidates.flatMap((candidate, i) => (kept.has(i) ? candidate.items.map(({ id }) => id) : [])),
    keptNames: candidates.flatMap((candidate, i) => (kept.has(i) ? [candidate.name] : [])),
    otherLane,
    changes,
    worth: best.worth + mustWorth,
    presentWorth: candidates.reduce((sum, c) => sum + (laneOf(c) === 'on' ? c.worth : 0), 0),
    proven: best.proven,
    boundWorth: best.boundWorth + mustWorth,
    mustsBreak: best.mustsBreak,
    binding: [...weight].toSorted((a, b) => b[1] - a[1]).map(([key]) => key),
    leftOut,
    visited: best.visited,
    reachedH: null,
  };
}

/** Planned additions that count are there in any case. */
const plannedCandidate = (loads: readonly Load[]): Candidate => ({
  id: '',
  name: 'Planned additions',
  items: [],
  loads,
  worth: 0,
  fixed: 'in',
  spaces: 0,
});

/** The job with a suggestion taken. What it sheds is shed for the whole outage: that is what it was worked out for. */
export function takeSuggestion<P extends Plan>(plan: P, { changes }: Pick<Suggestion, 'changes'>): P {
  const circuits = circuitsById(plan.survey);
  const shed = changes.flatMap(({ itemIds, to }) => (to === 'auto' ? itemIds : []));
  return changes.reduce(
    (now, { itemIds, to }) =>
      moveToLane(
        now,
        {
          circuitIds: itemIds.filter((id) => circuits.has(id)),
          loadIds: itemIds.filter((id) => !circuits.has(id)),
        },
        to,
      ),
    changeShed(plan, shed, { when: 'outage' }),
  );
}
