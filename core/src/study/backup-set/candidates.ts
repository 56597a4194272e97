import type { Load } from '../../house/index.js';
import {
  type BenchItem,
  benchItems,
  coversOf,
  everythingRuns,
  type Island,
  type Plan,
  serviceBackup,
  splicedPanelId,
} from '../../design/index.js';

/** Circuits that stay on or go together, as the search for a set sees them. */
export interface Candidate {
  readonly id: string;
  readonly name: string;
  readonly items: readonly BenchItem[];
  readonly loads: readonly Load[];
  /** What keeping it is worth: should loads × their worth + may loads. */
  readonly worth: number;
  /** 'in' holds a must; 'out' cannot be behind the source, or nobody wants it. */
  readonly fixed: 'in' | 'out' | null;
  /** Spaces it takes in a new backed-up loads panel. */
  readonly spaces: number;
}

/** What limits the number of circuits. */
export interface CircuitLimits {
  /** Spaces of the new panel; Infinity where none is built or nobody has said. */
  readonly spaces: number;
  /** How many candidates may be left out, since each needs its own shed device; Infinity where none is needed. */
  readonly leftOut: number;
}

/**
 * The candidates of an island: what shares a neutral stands together; in a backed-up loads panel a sub-panel moves with its
 * feeder as one. A feeder splice reaches its sub-panel only.
 */
export function candidatesOf(
  plan: Plan,
  island: Island,
): { readonly candidates: Candidate[]; readonly limits: CircuitLimits } {
  const items = benchItems(plan, island);
  const said = serviceBackup(plan, island.services[0]?.id ?? '');
  const covers = coversOf(said);
  const asOne = covers === 'chosen';
  const byId = new Map(items.map((item) => [item.id, item]));
  const taken = new Set<string>();
  const candidates: Candidate[] = [];
  for (const item of items) {
    if (taken.has(item.id) || (item.feeds && !asOne)) continue;
    const group = [item, ...item.movesWith.flatMap((id) => byId.get(id) ?? [])].filter(
      ({ id, feeds }) => !taken.has(id) && (asOne || feeds === null || id === item.id),
    );
    for (const { id } of group) taken.add(id);
    const loads = group.flatMap((one) => one.loads);
    const must = loads.some(({ tier }) => tier === 'must');
    const worth = loads.reduce(
      (sum, { tier }) => sum + (tier === 'should' ? plan.backup.shouldWorth : tier === 'may' ? 1 : 0),
      0,
    );
    // What hangs on no circuit runs where everything does, unless it is unplugged.
    const runsAnyway = item.circuit === null && everythingRuns(plan);
    const reached = covers !== 'sub-panel' || item.panel?.id === splicedPanelId(said);
    candidates.push({
      id: item.id,
      name: item.name,
      items: group,
      loads,
      worth,
      fixed: runsAnyway
        ? item.lane === 'hand'
          ? 'out'
          : 'in'
        : !reached
          ? 'out'
          : must
            ? 'in'
            : worth === 0
              ? 'out'
              : null,
      // What is behind a feeder comes along without taking a space of its own.
      spaces: group
        .filter(({ panel }) => panel === item.panel)
        .reduce((sum, { circuit }) => sum + (circuit?.spaces.length ?? 0), 0),
    });
  }
  return {
    candidates,
    limits: {
      spaces: said.school === 'loads-panel' ? (said.newPanelSpaces ?? Infinity) : Infinity,
      leftOut: said.school === 'controlled' ? (said.controlledCircuits ?? Infinity) : Infinity,
    },
  };
}
