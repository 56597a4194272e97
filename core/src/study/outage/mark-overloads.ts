import type { OverloadAxis } from '../output/overload-axes.js';
import { type PowerPart, powerParts } from '../output/power-part.js';
import type { Step } from './switching-steps.js';

/** The mark of a minute in which a part trips; 0 is left for one that holds. */
const markOfPart = (part: PowerPart): number => powerParts.indexOf(part) + 1;
/** Place of the part in {@link powerParts}. */
export const partOfMark = (mark: number): number => mark - 1;

export const slackVA = 1e-6;
const slackMin = 1e-9;

/**
 * Marks minutes in which an overload outlasts what the curve allows: the mark of the part that passes first; 0 where all hold.
 * Looks at the exact moments of switching and starting, not at steps.
 */
export function markOverloads(
  steps: readonly Pick<Step, 'at' | 'deltaVA'>[],
  axes: readonly OverloadAxis[],
  from: number,
  to: number,
  marks: Uint8Array,
): void {
  const now = new Float64Array(axes.length);
  const since = axes.map(({ levels }) => new Float64Array(levels.length).fill(Infinity));
  const settle = (begin: number, end: number): void => {
    axes.forEach(({ part, levels }, axis) => {
      const mark = markOfPart(part);
      levels.forEach(({ aboveVA, heldS }, level) => {
        if (now[axis]! <= aboveVA + slackVA) {
          since[axis]![level] = Infinity;
          return;
        }
        since[axis]![level] = Math.min(since[axis]![level]!, begin);
        const passes = Math.max(begin, since[axis]![level]! + heldS / 60);
        for (
          let m = Math.floor(passes);
          m < Math.min(to, Math.ceil(end)) && end > passes + slackMin;
          m += 1
        ) {
          if (m >= from && marks[m] === 0) marks[m] = mark;
        }
      });
    });
  };
  let at = from;
  for (const step of steps) {
    if (step.at > at + slackMin) {
      settle(at, step.at);
      at = step.at;
    }
    for (let axis = 0; axis < axes.length; axis += 1) now[axis]! += step.deltaVA[axis]!;
  }
  if (at < to) settle(at, to);
}
