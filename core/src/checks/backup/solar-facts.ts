import { type BenchItem, coversOf, splicedPanelId } from '../../design/index.js';
import { type BackupCase, isKept } from './backup-case.js';
import { named } from './lane-facts.js';

/** Where existing solar stands: on the grid's side or the island's. */
export function solarFacts({ panels, items, said }: BackupCase) {
  const covers = coversOf(said);
  const circuits = items.filter(({ circuit }) => circuit?.backFeeds);
  const ahead = panels
    .filter(({ between }) => between.some(({ kind }) => kind === 'existing-solar'))
    .map(({ id, name }) => ({ id, name: `ahead of ${name}` }));
  const inside = (item: BenchItem): boolean =>
    covers === 'service' || (covers === 'sub-panel' ? item.panel?.id === splicedPanelId(said) : isKept(item));
  const dead = circuits.filter((item) => !inside(item));
  return {
    solarDead: named(dead),
    solarLive: named(dead.length < circuits.length || ahead.length > 0 ? [...circuits, ...ahead] : []),
  };
}
