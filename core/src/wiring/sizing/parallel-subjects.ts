import { derived, type Figure, given, groupBy } from '../../base/index.js';
import { parallelCurrentsA } from '../../rules/details.js';
import type { Subject } from '../../rules/packs.js';
import type { SizedCable } from './size-cable.js';

/** Ohms of a cable, there and back, from the voltage it loses; null = its conductor is not known. */
const ohmsOf = ({ dropShare, cable }: SizedCable): number | null =>
  dropShare === null || cable.continuousA <= 0 ? null : (dropShare * cable.voltageV) / cable.continuousA;

/** What the most loaded of strings side by side carries of the current of all; null = a conductor is not known. */
function mostLoaded(id: string, strings: readonly SizedCable[], all: Figure): Figure | null {
  const ohms = strings.flatMap((string) => ohmsOf(string) ?? []);
  if (ohms.length < strings.length) return null;
  const mostA = Math.max(...parallelCurrentsA(all.value, ohms));
  return derived({
    key: `${id}.most`,
    label: 'Most loaded string, by the cables alone: their batteries even it out a little',
    value: mostA,
    unit: 'A',
    formula: '{all} × {share}',
    inputs: {
      all,
      share: given({
        key: `${id}.share`,
        label: 'Share of the cable of least resistance',
        value: mostA / all.value,
        unit: 'share',
        source: { kind: 'derived' },
      }),
    },
  });
}

/** Uneven shares are borne up to so many times the even one (common practice, no source). */
const borne = 1.1;

/** What each may carry of the current of all. */
const borneShare = (id: string, count: number, all: Figure): Figure =>
  derived({
    key: `${id}.borne`,
    label: 'An even share, and a tenth more',
    value: (borne * all.value) / count,
    unit: 'A',
    formula: '{all} ÷ {count} × {more}',
    inputs: {
      all,
      count: given({
        key: `${id}.count`,
        label: 'Strings',
        value: count,
        unit: 'count',
        source: { kind: 'derived' },
      }),
      more: given({
        key: `${id}.more`,
        label: 'Borne, times an even share',
        value: borne,
        unit: 'factor',
        source: { kind: 'common-practice' },
      }),
    },
  });

/** Battery strings side by side, each on a cable of its own: what the most loaded carries against an even share. */
export function parallelSubjects(cables: ReadonlyMap<string, SizedCable>): Subject<'parallel'>[] {
  const strings = [...cables.values()].filter(({ cable }) => cable.use === 'battery');
  return [...groupBy(strings, ({ part }) => part.from)].flatMap(([from, side]): Subject<'parallel'>[] => {
    const [first] = side;
    if (!first || side.length < 2) return [];
    const id = `parallel:${from}`;
    const name = `${side.length} battery strings`;
    const all = given({
      key: `${id}.all`,
      label: 'Current of all strings at their lowest voltage',
      value: side.reduce((sum, { cable }) => sum + cable.continuousA, 0),
      unit: 'A',
      source: { kind: 'derived' },
    });
    return [
      {
        kind: 'parallel',
        keyBefore: id,
        keyAfter: '',
        name,
        about: first.part.to,
        facts: { name, mostA: mostLoaded(id, side, all), borneA: borneShare(id, side.length, all) },
      },
    ];
  });
}
