import type { LegKind, RouteLeg, Wall, WallRoute } from '../../house/index.js';
import type { PlacedOnLot } from './placed-on-lot.js';

/** Something on a wall: from its left end and from the ground, m. */
interface OnWall {
  readonly leftM: number;
  readonly bottomM: number;
  readonly widthM: number;
  readonly heightM: number;
}

export type RouteEnd = WallRoute['to'];
export const routeEnds = ['panel', 'meter', 'array', 'generator'] as const satisfies readonly RouteEnd[];

/** Labour of a metre of conduit, as so many times one on the surface (common practice, no source). */
export const legLabour: Readonly<Record<LegKind, number>> = {
  surface: 1,
  wall: 3,
  attic: 1.6,
  'crawl-space': 1.8,
  trench: 2.6,
  inside: 2.2,
};

/** The way of a conduit from a thing on a wall to one of its ends. */
export interface Route {
  readonly to: RouteEnd;
  /** On the wall first, then as the wall says. */
  readonly legs: readonly RouteLeg[];
  readonly lengthM: number;
  /** The same, each leg weighed by its labour. */
  readonly effortM: number;
}

/** Metres along a wall from the middle of a thing to where a route leaves it: across and up or down. */
export const alongWallM = (at: OnWall, { fromM, atM }: Pick<WallRoute, 'fromM' | 'atM'>): number =>
  Math.abs(at.leftM + at.widthM / 2 - fromM) + Math.abs(at.bottomM + at.heightM / 2 - atM);

/** The opening on the wall itself that a route of the wall may simply lead to. */
const endOnWall: Partial<Record<RouteEnd, string>> = { panel: 'panel', meter: 'meter' };

/** Where routes of a wall lead and leave: as surveyed; what hangs on the wall itself is reached along it. */
export function wallRoute(wall: Pick<Wall, 'routes' | 'openings'>, to: RouteEnd): WallRoute | null {
  const said = wall.routes.find((route) => route.to === to);
  if (said) return said;
  const kind = endOnWall[to];
  const there = wall.openings.find((opening) => opening.kind === kind);
  return there
    ? { to, fromM: there.leftM + there.widthM / 2, atM: there.bottomM + there.heightM / 2, legs: [] }
    : null;
}

/** The route from a thing on a wall to one of its ends; null = nobody has said how it runs. */
export function routeOf(at: OnWall, wall: Pick<Wall, 'routes' | 'openings'>, to: RouteEnd): Route | null {
  const said = wallRoute(wall, to);
  if (!said) return null;
  const legs: RouteLeg[] = [{ kind: 'surface', lengthM: alongWallM(at, said) }, ...said.legs];
  return {
    to,
    legs,
    lengthM: legs.reduce((sum, { lengthM }) => sum + lengthM, 0),
    effortM: legs.reduce((sum, { kind, lengthM }) => sum + legLabour[kind] * lengthM, 0),
  };
}

/** What a crew must know of legs before it comes (common practice, no source). */
export const legWarnings: Partial<Record<LegKind, string>> = {
  trench:
    'Trench: have buried lines located before digging; depth by conduit and voltage (18 to 24 in, 450 to 600 mm is common).',
  attic: 'Attic: hot (derate the conductors), insulation to move, boards to stand on.',
  'crawl-space': 'Crawl space: look at clearance, damp and animals before the day; two people.',
  inside: 'Finished wall: fire blocks and insulation inside; patching and paint.',
  wall: 'Through a wall: seal outdoors, fire-stop towards a garage, nothing live or wet inside.',
};

/**
 * The conduit from a unit where it is put to one of its ends; null = it is put nowhere, or nobody has said how the conduit runs.
 *
 * @param size of the unit; what its data sheet does not say counts as a point
 */
export function placedRoute(
  { lot, placement }: PlacedOnLot,
  thingId: string,
  size: { readonly widthM: number | null; readonly heightM: number | null },
  to: RouteEnd,
): Route | null {
  const place = placement.placed.find((one) => one.thingId === thingId);
  const wall = place && lot.walls.find(({ id }) => id === place.wallId);
  if (!wall) return null;
  return routeOf({ ...place, widthM: size.widthM ?? 0, heightM: size.heightM ?? 0 }, wall, to);
}

/** The conduit from where the first of the units is put to one of its ends; null as above. */
export function equipmentRoute(plan: PlacedOnLot, to: RouteEnd): Route | null {
  for (const { thingId } of plan.placement.placed) {
    if (!thingId.startsWith('unit:')) continue;
    const route = placedRoute(plan, thingId, { widthM: null, heightM: null }, to);
    if (route) return route;
  }
  return null;
}
