import { studsOf } from '../holding/hold-of.js';
import { areTested } from '../subjects/room-of.js';
import type { PlacedThing } from '../things/placed-things.js';
import { rightOf, topOf } from '../geometry/rect.js';

/** Where something snapped to, in words; '' = nowhere. */
export interface Snapped {
  readonly leftM: number;
  readonly bottomM: number;
  readonly to: string;
}

interface Mark {
  readonly at: number;
  readonly name: string;
}

const nearest = (at: number, marks: readonly Mark[], withinM: number): Mark | null => {
  let best: Mark | null = null;
  for (const mark of marks)
    if (Math.abs(mark.at - at) <= (best ? Math.abs(best.at - at) : withinM)) best = mark;
  return best;
};

/**
 * Where a thing that is dragged comes to rest: its middle on a stud or half way between two, beside another thing at the distance both ask for, in line with its edges, at the ends of the wall; its bottom in line with others, or on the
 * ground. What is farther than `withinM` from all of these stays where it is.
 *
 * @param others what hangs on the wall beside it
 */
export function snap(one: PlacedThing, others: readonly PlacedThing[], withinM: number): Snapped {
  const { wall, thing, widthM, heightM } = one;
  const studs = studsOf(one) ?? [];
  const half = (wall.studSpacingM ?? 0) / 2;
  const gapTo = (other: PlacedThing): number =>
    areTested(thing, other.thing)
      ? Math.max(thing.betweenM!, other.thing.betweenM!)
      : Math.max(thing.clear.besideM, other.thing.clear.besideM);
  const overTo = (upper: PlacedThing, lower: PlacedThing): number =>
    areTested(upper.thing, lower.thing)
      ? Math.max(upper.thing.betweenM!, lower.thing.betweenM!)
      : Math.max(upper.thing.clear.belowM, lower.thing.clear.aboveM);
  const lefts: Mark[] = [
    { at: 0, name: 'the left end' },
    { at: wall.lengthM - widthM, name: 'the right end' },
    ...studs.flatMap((at) => [
      { at: at - widthM / 2, name: 'a stud' },
      { at: at + half - widthM / 2, name: 'between two studs' },
    ]),
    ...others.flatMap((other) => [
      { at: rightOf(other) + gapTo(other), name: `right of ${other.thing.name}` },
      { at: other.leftM - gapTo(other) - widthM, name: `left of ${other.thing.name}` },
      { at: other.leftM, name: `in line with ${other.thing.name}` },
      { at: rightOf(other) - widthM, name: `in line with ${other.thing.name}` },
    ]),
    ...wall.openings.flatMap((opening) => [
      { at: opening.leftM + opening.widthM + thing.clear.besideM, name: 'beside an opening' },
      { at: opening.leftM - thing.clear.besideM - widthM, name: 'beside an opening' },
    ]),
  ];
  const bottoms: Mark[] = [
    { at: 0, name: 'the ground' },
    { at: wall.heightM - heightM, name: 'the top of the wall' },
    ...others.flatMap((other) => [
      { at: other.bottomM, name: `level with ${other.thing.name}` },
      { at: topOf(other) - heightM, name: `level with ${other.thing.name}` },
      { at: topOf(other) + overTo(one, other), name: `above ${other.thing.name}` },
      { at: other.bottomM - overTo(other, one) - heightM, name: `below ${other.thing.name}` },
    ]),
  ];
  const left = nearest(one.leftM, lefts, withinM);
  const bottom = nearest(one.bottomM, bottoms, withinM);
  return {
    leftM: left?.at ?? one.leftM,
    bottomM: bottom?.at ?? one.bottomM,
    to: [left?.name, bottom?.name].filter((name) => name !== undefined).join(', '),
  };
}
