import { nameList, quantityText } from '../../base/index.js';
import { systemFacts } from '../../electric/index.js';
import { connectedVA } from '../../house/details.js';
import type { NamedThings } from '../../rules/packs.js';
import { type BenchItem, movedCircuits, splicedPanelId } from '../../design/index.js';
import { type BackupCase, isKept } from './backup-case.js';

/** Names said before the rest is counted. */
const namedAtMost = 4;

export const named = (things: readonly { readonly id: string; readonly name: string }[]): NamedThings => ({
  names: nameList(
    things.map(({ name }) => name),
    namedAtMost,
  ),
  ids: things.map(({ id }) => id),
});

const loaded = ({ loads }: BenchItem): boolean => loads.length > 0;

/** What stays on, is shed or stays dark, and against what the way of backing up can do. */
export function laneFacts({ said, items, panels }: BackupCase) {
  const cutId = said.school === 'feeder' ? splicedPanelId(said) : null;
  return {
    kept: named(items.filter((item) => isKept(item) && loaded(item))),
    dark: named(items.filter((item) => !isKept(item) && loaded(item))),
    controlled: named(items.filter(({ lane, feeds }) => lane === 'auto' && feeds === null)),
    controlTakes: said.controlledCircuits,
    mains: named(panels.filter(({ fedFrom }) => fedFrom.kind === 'service')),
    subPanels: named(panels.filter(({ fedFrom }) => fedFrom.kind !== 'service')),
    keptOutside: named(
      items.filter(
        (item) =>
          item.circuit &&
          item.panel?.id !== cutId &&
          isKept(item) &&
          item.feeds?.id !== cutId &&
          loaded(item),
      ),
    ),
    darkInside: named(items.filter((item) => item.panel?.id === cutId && !isKept(item) && loaded(item))),
  };
}

/** What moves to a new loads panel, and what of it hangs on a pass-through. */
export function movingFacts({ plan, said, items, island }: BackupCase) {
  const mine = new Set(items.map(({ id }) => id));
  const moved =
    said.school === 'loads-panel' ? movedCircuits(plan, island).filter(({ id }) => mine.has(id)) : [];
  const distanceM = said.newPanelDistanceM;
  const { legs, legVoltageV } = systemFacts[plan.supply.system];
  const length = (lengthM: number): string => quantityText(lengthM, 'm', plan.site.units);
  return {
    moved: named(moved),
    movedPoles: moved.reduce((sum, { circuit }) => sum + circuit!.spaces.length, 0),
    newSpaces: said.newPanelSpaces,
    hasDistance: distanceM !== null,
    extend:
      distanceM === null
        ? 'The distance between the panels is not entered.'
        : `About ${length(distanceM)} each, ${length(distanceM * moved.length)} of cable in all: ${named(moved).names}.`,
    partly: named(
      items.filter(
        (item) =>
          item.feeds !== null &&
          isKept(item) &&
          items.some((below) => below.panel?.id === item.feeds!.id && !isKept(below) && loaded(below)),
      ),
    ),
    runningA: connectedVA(items.filter(isKept).flatMap(({ loads }) => loads)) / (legs.length * legVoltageV),
  };
}
