import { type Circuit, circuitLegSet, type Panel, spaceLeg, spacesFrom } from '../../house/index.js';
import { fitsInto, newPanel } from '../../house/details.js';
import { type BenchItem, islandsOf, movedCircuits, type Plan, serviceBackup } from '../../design/index.js';

/** A breaker that moves, from where to where. */
export interface MovedBreaker {
  readonly circuit: Circuit;
  readonly from: Panel;
  /** Its spaces in the new panel; none where it has no room. */
  readonly to: readonly number[];
  /** It sits on other legs than before. */
  readonly otherLegs: boolean;
}

/** The panels of a house as they will be. */
export interface PlannedPanels {
  /** Those that are there, without what moves. */
  readonly old: readonly { readonly panel: Panel; readonly freed: readonly number[] }[];
  readonly added: readonly { readonly panel: Panel; readonly moved: readonly MovedBreaker[] }[];
}

/** Spaces of a new panel while nobody has said how many: what moves, and a quarter spare (common practice, no source). */
const usualSpaces = (poles: number): number => Math.max(8, 2 * Math.ceil((poles * 1.25) / 2));

/**
 * Puts the circuits that move into the new panel: breakers of more poles first, each on the legs it is on now as far as there is room, so that loads stay
 * balanced and shared neutrals stay right.
 */
export function plannedPanels(plan: Plan): PlannedPanels {
  const { system } = plan.supply;
  const moving = new Map<string, BenchItem>();
  const added = islandsOf(plan).flatMap((island) => {
    const items = movedCircuits(plan, island);
    if (items.length === 0) return [];
    for (const item of items) moving.set(item.id, item);
    const service = island.services[0]!;
    const poles = items.reduce((sum, { circuit }) => sum + circuit!.spaces.length, 0);
    const host = items[0]!.panel!;
    let panel: Panel = {
      ...newPanel(`loads-${service.id}`, 'Backed-up loads panel', system, { kind: 'unknown' }),
      spaces: serviceBackup(plan, service.id).newPanelSpaces ?? usualSpaces(poles),
      layout: host.layout,
      topLeg: host.topLeg,
      family: host.family,
      bonded: false,
    };
    const moved: MovedBreaker[] = [];
    for (const { circuit, panel: from } of items.toSorted(
      (a, b) => b.circuit!.spaces.length - a.circuit!.spaces.length,
    )) {
      const to = roomFor(panel, circuit!, from!, system);
      const put: Circuit = { ...circuit!, spaces: to ?? [], half: null };
      if (to) panel = { ...panel, circuits: [...panel.circuits, put] };
      moved.push({
        circuit: circuit!,
        from: from!,
        to: to ?? [],
        otherLegs:
          to !== null && circuitLegSet(panel, put, system) !== circuitLegSet(from!, circuit!, system),
      });
    }
    return [{ panel, moved }];
  });
  const old = plan.survey.panels.map((panel) => {
    const left = panel.circuits.filter(({ id }) => !moving.has(id));
    const still = new Set(left.flatMap(({ spaces }) => spaces));
    const freed = panel.circuits
      .filter(({ id }) => moving.has(id))
      .flatMap(({ spaces }) => spaces)
      .filter((space) => !still.has(space));
    return { panel: { ...panel, circuits: left }, freed: [...new Set(freed)].toSorted((a, b) => a - b) };
  });
  return { old, added };
}

/** The first spaces on the legs a breaker is on now; else any; null where nothing is free. */
function roomFor(
  panel: Panel,
  circuit: Circuit,
  from: Panel,
  system: Plan['supply']['system'],
): number[] | null {
  const now = spaceLeg(from, circuit.spaces[0]!, system);
  const all = Array.from({ length: panel.spaces }, (_, index) => index + 1);
  const free = all.flatMap((space) => {
    const spaces = spacesFrom(panel, space, circuit.spaces.length);
    return spaces && fitsInto(panel, { ...circuit, spaces, half: null }) ? [spaces] : [];
  });
  return free.find(([first]) => spaceLeg(panel, first!, system) === now) ?? free[0] ?? null;
}
