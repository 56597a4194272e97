import { type BenchItem, coversOf, splicedPanelId } from '../../design/index.js';
import { type Report, type Case, list, namesOf, isKept } from './case.js';

export function checkSolar({ panels, items, said }: Case, report: Report): void {
  const covers = coversOf(said);
  const circuits = items.filter(({ circuit }) => circuit?.backFeeds);
  const devices = panels.filter(({ between }) => between.some(({ kind }) => kind === 'existing-solar'));
  const names = [...circuits.map(({ name }) => name), ...devices.map(({ name }) => `ahead of ${name}`)];
  if (names.length === 0) return;
  const inside = (item: BenchItem): boolean =>
    covers === 'service' || (covers === 'sub-panel' ? item.panel?.id === splicedPanelId(said) : isKept(item));
  const dead = circuits.filter((item) => !inside(item));
  if (dead.length > 0) {
    report(
      'solar-dead',
      'consider',
      'Existing solar stays on the grid side',
      `${namesOf(dead)}: it is dead in an outage and charges nothing.`,
      'Move it behind the source, as far as the battery inverter can absorb its power.',
    );
  }
  if (dead.length < circuits.length || devices.length > 0) {
    report(
      'solar-live',
      'consider',
      'Existing solar is on the island side',
      `${list(names)}: it returns some minutes after islanding and must back off when the battery is full.`,
      'Check that its power is within what the battery inverter absorbs, and that it backs off by frequency.',
    );
  }
}
