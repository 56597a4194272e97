import { type Circuit, type Panel, panelLayouts } from '@levamen/core/house';
import { newCircuit, newPanel } from '@levamen/core/house/details';
import { demoPlans, type Plan } from '@levamen/core/design';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ladderView, type PlaceView } from './ladder-view';
import { panelTree } from './panel-tree';

const harbour = demoPlans[0]!.plan;
const nothing = new Set<string>();
const places = (plan: Plan, panel: Panel): PlaceView[] =>
  ladderView(plan, panel, nothing).flatMap(({ left, right }) =>
    [left, right].filter((place) => place !== null),
  );
const panelOf = (circuits: readonly Circuit[], changes: Partial<Panel> = {}): Panel => ({
  ...newPanel('p', 'Panel', 'split-120-240', { kind: 'unknown' }),
  spaces: 12,
  circuits: [...circuits],
  ...changes,
});

describe('the breaker ladder', () => {
  it('shows every space once, or as part of the breaker that reaches into it', () => {
    fc.assert(
      fc.property(fc.constantFrom(...panelLayouts), fc.integer({ min: 1, max: 84 }), (layout, spaces) => {
        const shown = places(harbour, panelOf([], { layout, spaces })).map(({ space }) => space);
        expect(shown.toSorted((a, b) => a - b)).toEqual(Array.from({ length: spaces }, (_, i) => i + 1));
      }),
    );
  });

  it('lets a breaker of more poles fill its rows', () => {
    const shown = places(harbour, panelOf([newCircuit('a', [2, 4], 'Range')]));
    expect(shown.find(({ space }) => space === 2)).toMatchObject({ rowSpan: 2, entry: '2p Range' });
    expect(shown.some(({ space }) => space === 4)).toBe(false);
  });

  it('shows poles that sit side by side each in its own space', () => {
    const shown = places(harbour, panelOf([newCircuit('a', [1, 2], 'Range')]));
    expect(shown.find(({ space }) => space === 1)).toMatchObject({ rowSpan: 1, poleOf: null });
    expect(shown.find(({ space }) => space === 2)).toMatchObject({ poleOf: 1, entry: '' });
  });

  it('shows the halves of a tandem one above the other, and writes them as one entry', () => {
    const halves = [
      { ...newCircuit('b', [3], 'Porch'), half: 'b' as const, ratingA: 15 },
      { ...newCircuit('a', [3], 'Hall'), half: 'a' as const, ratingA: 20 },
    ];
    const place = places(harbour, panelOf(halves)).find(({ space }) => space === 3)!;
    expect(place.breakers.map(({ name }) => name)).toEqual(['Hall', 'Porch']);
    expect(place.entry).toBe('20 Hall | 15 Porch');
  });

  it('says what hangs on a breaker: a load, several, a panel, or nothing', () => {
    const [cellar] = harbour.survey.panels;
    const loads = new Map(
      places(harbour, cellar!).flatMap(({ breakers }) => breakers.map((b) => [b.name, b.loads] as const)),
    );
    expect(loads.get('Well pump')).toBe('Well pump, 1½ hp');
    expect(loads.get('Living room')).toBe('3 loads');
    expect(loads.get('Barn panel')).toBe('feeds Barn panel');
    expect(loads.get('Bath')).toBe('no load');
    expect(loads.get('spare')).toBe('');
  });

  it('marks what a finding is about', () => {
    const rows = ladderView(harbour, panelOf([newCircuit('a', [1]), newCircuit('b', [3])]), new Set(['b']));
    expect(rows.flatMap(({ left }) => left?.breakers.map(({ faulty }) => faulty) ?? [])).toEqual([
      false,
      true,
    ]);
  });

  it('puts the leg beside each row', () => {
    expect(ladderView(harbour, panelOf([]), nothing).map(({ leg }) => leg)).toEqual([
      'L1',
      'L2',
      'L1',
      'L2',
      'L1',
      'L2',
    ]);
  });
});

describe('the tree of services and panels', () => {
  it('puts each panel behind what feeds it', () => {
    expect(panelTree(harbour.survey).map(({ name, depth }) => [name, depth])).toEqual([
      ['Farm service', 0],
      ['Cellar panel', 1],
      ['Barn panel', 2],
    ]);
  });

  it('shows two mains behind one meter, feed-through lugs, and a panel nobody knows the source of', () => {
    const system = 'split-120-240';
    const survey = {
      ...harbour.survey,
      panels: [
        newPanel('lost', 'Lost', system, { kind: 'unknown' }),
        newPanel('through', 'Through', system, { kind: 'lugs', panelId: 'one' }),
        newPanel('one', 'One', system, { kind: 'service', serviceId: 'farm' }),
        newPanel('two', 'Two', system, { kind: 'service', serviceId: 'farm' }),
      ],
    };
    expect(panelTree(survey).map(({ name, depth }) => [name, depth])).toEqual([
      ['Farm service', 0],
      ['One', 1],
      ['Through', 2],
      ['Two', 1],
      ['Lost', 0],
    ]);
    expect(panelTree(null)).toEqual([]);
  });
});
