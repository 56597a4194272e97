import type { Nudge } from '../../design/index.js';
import type { OneLineLayout } from './one-line-drawing.js';
import type { OneLinePlan, OneLineWire } from './one-line-plan.js';

type Point = readonly [number, number];
interface Shift {
  readonly right: number;
  readonly down: number;
}

const still: Shift = { right: 0, down: 0 };
/** Room a frame leaves around what stands in it, mm. */
const frameMm = 3;

/**
 * A line whose ends move: it stays level and upright. The runs at its ends go along sideways, what lies between them follows; a straight line gets a
 * step half way.
 */
export function stretched(points: readonly Point[], start: Shift, end: Shift): readonly Point[] {
  if (start.right === 0 && start.down === 0 && end.right === 0 && end.down === 0) return points;
  const last = points.length - 1;
  const [first, final] = [points[0]!, points[last]!];
  const from: Point = [first[0] + start.right, first[1] + start.down];
  const to: Point = [final[0] + end.right, final[1] + end.down];
  const beginsUpright = isUpright(first, points[1]!);
  const endsUpright = isUpright(points[last - 1]!, final);
  if (last === 1) return withStep(from, to, beginsUpright);
  // One bend: it lies where the run from the one end meets that from the other.
  if (last === 2) return [from, beginsUpright ? [from[0], to[1]] : [to[0], from[1]], to];
  return points.map((point, index): Point => {
    if (index === 0) return from;
    if (index === last) return to;
    // The bend that ends the first run, and the one that begins the last.
    if (index === 1) return beginsUpright ? [from[0], point[1]] : [point[0], from[1]];
    if (index === last - 1) return endsUpright ? [to[0], point[1]] : [point[0], to[1]];
    return point;
  });
}

const isUpright = ([x]: Point, [otherX]: Point): boolean => Math.abs(x - otherX) < 1e-9;

/** A straight line between ends that no longer face each other. */
function withStep(from: Point, to: Point, upright: boolean): readonly Point[] {
  const along = upright ? 0 : 1;
  if (Math.abs(from[along] - to[along]) < 1e-9) return [from, to];
  const halfX = (from[0] + to[0]) / 2;
  const halfY = (from[1] + to[1]) / 2;
  return upright
    ? [from, [from[0], halfY], [to[0], halfY], to]
    : [from, [halfX, from[1]], [halfX, to[1]], to];
}

/** The layout with the things where the designer moved them; what moved is no longer there is left out. */
export function nudgedLayout(
  plan: OneLinePlan,
  layout: OneLineLayout,
  nudges: readonly Nudge[],
): OneLineLayout {
  const of = new Map(nudges.map(({ id, rightMm, downMm }) => [id, { right: rightMm, down: downMm }]));
  const aboutOf = new Map(plan.boxes.map(({ id, about }) => [id, about]));
  const shiftOf = (boxId: string): Shift => of.get(aboutOf.get(boxId) ?? '') ?? still;
  if (!plan.boxes.some(({ about }) => of.has(about))) return layout;
  const boxes = new Map(
    [...layout.boxes].map(([id, { x, y }]) => {
      const { right, down } = shiftOf(id);
      return [id, { x: x + right, y: y + down }];
    }),
  );
  const wires = new Map(
    plan.wires.flatMap(({ id, from, to }: OneLineWire) => {
      const wire = layout.wires.get(id);
      if (!wire) return [];
      const [start, end] = [shiftOf(from), shiftOf(to)];
      const { label } = wire;
      // A label stands beside the run that it was laid beside: it goes along with the end that is nearer.
      const nearer =
        label && Math.abs(label.x - wire.points[0]![0]) < Math.abs(label.x - wire.points.at(-1)![0])
          ? start
          : end;
      return [
        [
          id,
          {
            points: stretched(wire.points, start, end),
            label: label && { x: label.x + nearer.right, y: label.y + nearer.down },
          },
        ] as const,
      ];
    }),
  );
  const enclosures = new Map(
    [...layout.enclosures].map(([id, frame]) => {
      const inside = plan.boxes.filter(({ enclosure }) => enclosure === id);
      if (!inside.some(({ about }) => of.has(about))) return [id, frame];
      const rooms = inside.map((box) => ({ ...box, ...boxes.get(box.id)! }));
      const x = Math.min(frame.x, ...rooms.map((room) => room.x - frameMm));
      const y = Math.min(frame.y, ...rooms.map((room) => room.y - 2 * frameMm));
      return [
        id,
        {
          x,
          y,
          widthMm:
            Math.max(frame.x + frame.widthMm, ...rooms.map((room) => room.x + room.widthMm + frameMm)) - x,
          heightMm:
            Math.max(frame.y + frame.heightMm, ...rooms.map((room) => room.y + room.heightMm + frameMm)) - y,
        },
      ];
    }),
  );
  return onSheet(plan, { ...layout, boxes, wires, enclosures });
}

/** Everything on a sheet that begins at the upper left, with its margin kept. */
function onSheet(plan: OneLinePlan, layout: OneLineLayout): OneLineLayout {
  const rooms = [
    ...plan.boxes.map((box) => ({ ...box, ...layout.boxes.get(box.id)! })),
    ...layout.enclosures.values(),
  ];
  const ends = [...layout.wires.values()].flatMap(({ points }) => points);
  const margin = 2 * frameMm;
  const left = Math.min(...rooms.map(({ x }) => x), ...ends.map(([x]) => x)) - margin;
  const top = Math.min(...rooms.map(({ y }) => y), ...ends.map(([, y]) => y)) - margin;
  const [dx, dy] = [Math.max(0, -left), Math.max(0, -top)];
  const right = Math.max(...rooms.map(({ x, widthMm }) => x + widthMm), ...ends.map(([x]) => x)) + margin;
  const bottom =
    Math.max(...rooms.map(({ y, heightMm }) => y + heightMm), ...ends.map(([, y]) => y)) + margin;
  const put = <T extends { readonly x: number; readonly y: number }>(at: T): T => ({
    ...at,
    x: at.x + dx,
    y: at.y + dy,
  });
  const all = <T extends { readonly x: number; readonly y: number }>(of: ReadonlyMap<string, T>) =>
    new Map([...of].map(([id, at]) => [id, put(at)]));
  return {
    widthMm: Math.max(layout.widthMm, right) + dx,
    heightMm: Math.max(layout.heightMm, bottom) + dy,
    boxes: all(layout.boxes),
    enclosures: all(layout.enclosures),
    wires: new Map(
      [...layout.wires].map(([id, { points, label }]) => [
        id,
        { points: points.map(([x, y]): Point => [x + dx, y + dy]), label: label && put(label) },
      ]),
    ),
  };
}
