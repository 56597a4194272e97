import { groupBy } from '../../base/index.js';
import { alongWallM, legLabour, type Placed, wallRoute, wallWork } from '../../design/index.js';
import type { Wall } from '../../house/index.js';
import { judge, judgementKey, judgementWords, packFor } from '../../rules/packs.js';
import type { PlacementPlan } from '../things/placement-plan.js';
import { slackM } from '../geometry/rect.js';
import { energySubjects } from '../subjects/energy-subjects.js';
import { areTested } from '../subjects/room-of.js';
import { mayStandOutM } from '../subjects/working-space.js';
import { type PlacedThing, placedThings } from '../things/placed-things.js';
import type { Thing } from '../things/thing.js';
import { bestArrangement, type Kind, type Position } from './best-arrangement.js';
import { brokenTitle, WallJudge } from './wall-judge.js';

/** Sun and temperature of a wall, as far as they are known: what a unit of the design meets there. */
export interface WallComfort {
  readonly hottestC: number;
  readonly coldH: number;
  /** What its climate forbids; '' = nothing. */
  readonly forbids: string;
}

/** Where everything would hang on one wall. */
export interface WallOffer {
  readonly wallId: string;
  readonly places: readonly Placed[];
  /** Length of conduits of all units to the panel, each leg weighed by its labour, m; null = nobody has said how they run. */
  readonly effortM: number | null;
  readonly comfort: WallComfort | null;
  /** One more of the largest unit would fit. */
  readonly grows: boolean;
  /** What it is ranked by, m of surface conduit: less is better. */
  readonly score: number;
  /** No other arrangement on this wall is cheaper; else the search gave up proving it. */
  readonly proved: boolean;
}

/** Why a wall holds none. */
export interface WallRefusal {
  readonly wallId: string;
  readonly reasons: readonly string[];
}

export interface WallSearch {
  /** Best first. */
  readonly offers: readonly WallOffer[];
  readonly refusals: readonly WallRefusal[];
}

/**
 * How much comfort and room weigh beside a metre of conduit on the surface (common practice, no source): a degree above 40 °C in the hottest hour, a day of the year below freezing, no room for one more unit.
 */
export const weights = { perHotC: 0.5, hotFromC: 40, perColdDay: 0.1, noGrowth: 2, noRoute: 10 } as const;

/** Arrangements looked at on one wall before it gives up proving. */
const mostLooks = 3_000_000;
/** Rounded as a tape is read. */
const clean = (metres: number): number => Math.round(metres * 1e4) / 1e4;

/** Where a thing may be, on a grid: what stands only stands, what may do both does either. */
function positionsOf(
  thing: Thing,
  wall: Wall,
  plinthM: number,
  stepM: number,
  costOf: (x: number, y: number) => number,
): Position[] {
  const positions: Position[] = [];
  const highest = wall.heightM - thing.heightM;
  const bottoms: number[] = [];
  if (thing.mounting === 'floor') bottoms.push(plinthM);
  else for (let step = 0; step * stepM <= highest + 1e-9; step += 1) bottoms.push(clean(step * stepM));
  for (let step = 0; step * stepM <= wall.lengthM - thing.widthM + 1e-9; step += 1) {
    const x = clean(step * stepM);
    for (const y of bottoms) positions.push({ x, y, cost: costOf(x, y) });
  }
  // Of equal ones the lower, then the left one first.
  return positions.toSorted((a, b) => a.cost - b.cost || a.y - b.y || a.x - b.x);
}

/**
 * Whether no two of these things can hang one above the other on a wall: then the height of each is its own affair, and of every place along the wall only its cheapest height counts.
 */
function standSideBySide(things: readonly Thing[], wall: Wall): boolean {
  if (things.length < 2) return true;
  const heights = things.map(({ heightM }) => heightM).toSorted((a, b) => a - b);
  const depths = things.map(({ depthM }) => depthM);
  // One that stands out farther is in the working space of another, or above it.
  if (Math.max(...depths) - Math.min(...depths) > mayStandOutM) return false;
  return heights[0]! + heights[1]! > wall.heightM - 1e-9;
}

const sizeOf = ({ widthM, heightM }: Thing): number => widthM * heightM;

const placedAt = (thing: Thing, wall: Wall, { x, y }: Position): PlacedThing => ({
  thing,
  wall,
  leftM: x,
  bottomM: y,
  widthM: thing.widthM,
  heightM: thing.heightM,
});

/** Far enough apart for any rule, m. */
const farM = 4;

/**
 * What rules ask between two kinds of things: the least gap at which none of them is broken, found by asking them of two that stand side by side, ever closer. What depends on more than the gap is
 * asked of the whole arrangement.
 */
function leastGaps(plan: PlacementPlan, groups: readonly (readonly Thing[])[], wall: Wall): number[][] {
  const wide = { ...wall, lengthM: 60, openings: [], construction: null };
  const bare = new WallJudge(plan, []);
  return groups.map(([a]) =>
    groups.map(([b]) => {
      const other = { ...b!, id: `${b!.id}:other` };
      const allowedAt = (gap: number): boolean => {
        const two = [
          placedAt(a!, wide, { x: 10, y: 0, cost: 0 }),
          placedAt(other, wide, { x: 10 + a!.widthM + gap, y: 0, cost: 0 }),
        ];
        const alone = new Set(two.flatMap((one) => bare.broken([one]).map(judgementKey)));
        return bare.broken(two).every((judgement) => alone.has(judgementKey(judgement)));
      };
      const roomM = Math.max(a!.clear.besideM, b!.clear.besideM);
      if (allowedAt(0) || (!areTested(a!, b!) && allowedAt(roomM))) return 0;
      let [close, far] = [0, farM];
      if (!allowedAt(far)) return Infinity;
      for (let round = 0; round < 40 && far - close > slackM / 4; round += 1) {
        const middle = (close + far) / 2;
        if (allowedAt(middle)) far = middle;
        else close = middle;
      }
      return far;
    }),
  );
}

/**
 * Whether two things may stand to each other as they do: neither overlaps the other, nor the room it asks for, nor is it nearer than rules ask. The same as {@link crowds} and {@link gapM} say, without making
 * anything: a search asks millions of times.
 */
function pairTest(a: Thing, b: Thing, leastGapM: number): (dx: number, dy: number) => boolean {
  const tested = areTested(a, b);
  const [isInRoomOfA, isInRoomOfB] = [roomy(a), roomy(b)];
  const leastM = Math.max(0, leastGapM - slackM);
  return (dx, dy) => {
    // Gaps between the two, sideways and up and down; negative where they are beside or above each other.
    const beside = Math.max(dx - a.widthM, -dx - b.widthM);
    const over = Math.max(dy - a.heightM, -dy - b.heightM);
    if (beside < -slackM && over < -slackM) return false;
    const [side, up] = [Math.max(0, beside), Math.max(0, over)];
    if (side * side + up * up < leastM * leastM) return false;
    return tested || (!isInRoomOfA(dx, dy, b) && !isInRoomOfB(-dx, -dy, a));
  };
}

/** Whether another thing, so far to the right and above of this one, stands in the room this one asks for. */
const roomy =
  ({ widthM, heightM, clear }: Thing) =>
  (dx: number, dy: number, other: Thing): boolean =>
    Math.max(dx - widthM - clear.besideM, -dx - other.widthM - clear.besideM) < -slackM &&
    Math.max(dy - heightM - clear.aboveM, -dy - other.heightM - clear.belowM) < -slackM;

/** What the rules of the place say of the energy there, once all of this hangs on the wall; '' = nothing. */
function tooMuchEnergy(
  plan: PlacementPlan,
  things: readonly Thing[],
  wanted: readonly Thing[],
  wall: Wall,
): string {
  const moving = new Set(wanted.map(({ id }) => id));
  const rest = placedThings(plan, things).filter(({ thing }) => !moving.has(thing.id));
  const all = [...rest, ...wanted.map((thing) => placedAt(thing, wall, { x: 0, y: 0, cost: 0 }))];
  const { rules, edition } = packFor(plan);
  const asked = {
    rules: rules.filter(({ on, severity }) => on === 'place-energy' && severity !== 'consider'),
    edition,
  };
  const here = energySubjects(plan, all).filter(({ facts }) => facts.place === wall.place);
  const broken = judge(asked, here).find(({ verdict }) => verdict === 'fails');
  return broken ? `${brokenTitle(broken)}: ${judgementWords(broken).because}` : '';
}

/** Kinds of things that are the same but for their name. */
const alike = ({ unit, widthM, heightM, depthM, mounting, kind }: Thing): string =>
  [unit?.id ?? kind, widthM, heightM, depthM, mounting].join();

/**
 * Searches one wall for the cheapest arrangement that breaks no rule which it does not break already.
 *
 * @param wanted what is to be put up, all of it on this wall; what hangs there of the rest stays
 * @param stepM of the grid
 */
export function searchWall(
  plan: PlacementPlan,
  things: readonly Thing[],
  wanted: readonly Thing[],
  wall: Wall,
  stepM: number,
  comfort: WallComfort | null,
): WallOffer | WallRefusal {
  if (comfort && comfort.forbids !== '') return { wallId: wall.id, reasons: [comfort.forbids] };
  const energy = tooMuchEnergy(plan, things, wanted, wall);
  if (energy !== '') return { wallId: wall.id, reasons: [energy] };
  const moving = new Set(wanted.map(({ id }) => id));
  const fixed = placedThings(plan, things).filter((one) => one.wall === wall && !moving.has(one.thing.id));
  const onWall = new WallJudge(plan, fixed);
  const route = wallRoute(wall, 'panel');
  const plinthM = wallWork(plan.placement, wall.id).plinth ?? 0;
  const groups = [...groupBy(wanted, alike).values()];
  const sideBySide = standSideBySide(wanted, wall);
  const kinds = groups.map((group): Kind => {
    const thing = group[0]!;
    const { widthM, heightM } = thing;
    const all = positionsOf(thing, wall, plinthM, stepM, (leftM, bottomM) =>
      route ? alongWallM({ leftM, bottomM, widthM, heightM }, route) : leftM,
    );
    const seen = new Set<number>();
    const positions = all.filter((position) => {
      if (sideBySide && seen.has(position.x)) return false;
      if (!onWall.allowsOne(placedAt(thing, wall, position))) return false;
      seen.add(position.x);
      return true;
    });
    return { quantity: group.length, positions };
  });
  const gaps = leastGaps(plan, groups, wall);
  const tests = groups.map(([a], index) =>
    groups.map(([b], other) => pairTest(a!, b!, gaps[index]![other]!)),
  );
  const together = (kind: number, a: Position, otherKind: number, b: Position): boolean =>
    tests[kind]![otherKind]!(b.x - a.x, b.y - a.y);
  const named = (
    chosen: readonly { readonly kind: number; readonly position: Position }[],
  ): PlacedThing[] => {
    const next = groups.map(() => 0);
    return chosen.map(({ kind, position }) => placedAt(groups[kind]![next[kind]!++]!, wall, position));
  };
  const found = bestArrangement(
    kinds,
    { together, whole: (chosen) => onWall.allows(named(chosen)) },
    mostLooks,
  );
  if (!found.chosen) return { wallId: wall.id, reasons: reasonsOf(found.proved) };
  const placed = named(found.chosen);
  const { chosen } = found;
  const largest = groups.reduce(
    (best, [thing], kind) => (sizeOf(thing!) > sizeOf(groups[best]![0]!) ? kind : best),
    0,
  );
  const more = { ...groups[largest]![0]!, id: `${groups[largest]![0]!.id}:more` };
  const grows = kinds[largest]!.positions.some(
    (position) =>
      chosen.every((one) => together(one.kind, one.position, largest, position)) &&
      onWall.allows([...placed, placedAt(more, wall, position)]),
  );
  const legs = route
    ? route.legs.reduce((sum, { kind, lengthM }) => sum + legLabour[kind] * lengthM, 0)
    : null;
  const effortM = legs === null ? null : found.cost + legs * wanted.length;
  return {
    wallId: wall.id,
    places: placed.map(({ thing, leftM, bottomM }) => ({
      thingId: thing.id,
      wallId: wall.id,
      leftM,
      bottomM,
    })),
    effortM,
    comfort,
    grows,
    score:
      (effortM ?? weights.noRoute * wanted.length) +
      (comfort
        ? weights.perHotC * Math.max(0, comfort.hottestC - weights.hotFromC) +
          (weights.perColdDay * comfort.coldH) / 24
        : 0) +
      (grows ? 0 : weights.noGrowth),
    proved: found.proved,
  };

  /** Which rules leave no place, those that exclude most first. */
  function reasonsOf(isProved: boolean): string[] {
    for (const [kind, group] of groups.entries()) {
      if (kinds[kind]!.positions.length > 0) continue;
      const thing = group[0]!;
      // Every other one of the grid tells enough.
      const every = positionsOf(thing, wall, plinthM, 2 * stepM, () => 0);
      if (every.length === 0) return [`${thing.name} is larger than the wall`];
      const counts = new Map<string, { title: string; count: number }>();
      for (const position of every)
        for (const judgement of onWall.broken([placedAt(thing, wall, position)])) {
          const { id } = judgement.rule;
          const known = counts.get(id);
          counts.set(id, { title: known?.title ?? brokenTitle(judgement), count: (known?.count ?? 0) + 1 });
        }
      return [...counts.values()]
        .toSorted((a, b) => b.count - a.count)
        .slice(0, 4)
        .map(({ title, count }) =>
          count === every.length
            ? `${title}, wherever it is`
            : `${title}, at ${Math.round((100 * count) / every.length)} % of the places`,
        );
    }
    return [
      isProved
        ? `${wanted.length} units do not fit beside each other with the room they need`
        : 'No arrangement was found; the search was ended before it was proved that there is none',
    ];
  }
}

/** The walls that hold everything, best first, and why the others do not. */
export function rankWalls(results: readonly (WallOffer | WallRefusal)[]): WallSearch {
  const offers = results.flatMap((result) => ('places' in result ? [result] : []));
  const refusals = results.flatMap((result) => ('reasons' in result ? [result] : []));
  return { offers: offers.toSorted((a, b) => a.score - b.score), refusals };
}
