import { groupBy, nameList, plainQuantityText } from '../../base/index.js';
import { legWarnings, routeEnds, routeOf, wallWork } from '../../design/index.js';
import { legKinds, type OpeningKind, placeKinds, type Wall } from '../../house/index.js';
import type { PlacementPlan } from '../things/placement-plan.js';
import { drawnLength } from '../drawing/length-text.js';
import { besideM, overM, rightOf, topOf } from '../geometry/rect.js';
import { holdOf } from '../holding/hold-of.js';
import { openingName, type PlacedThing } from '../things/placed-things.js';

/** One thing a crew prepares or brings. */
export interface PreparationLine {
  readonly id: string;
  /** Wall it is at; '' = the whole job. */
  readonly wall: string;
  readonly what: string;
  readonly why: string;
}

/** Plywood reaches so much beyond what hangs on it, m; it is sold so large (common practice, no source). */
const beyondM = 0.1;
/** Receptacles and taps so near are in the way of hands and conduits, m. */
const inTheWayM = 0.3;
const movable: ReadonlySet<OpeningKind> = new Set(['receptacle', 'tap', 'light', 'downpipe', 'shelf']);

/**
 * What is to be prepared before and brought to the day, derived from where things hang: plywood, what has to move, boxes and nipples through walls, knockouts, spare conduit, bollards, alarms, the order of brackets (common
 * practice, no source).
 */
export function preparationList(plan: PlacementPlan, placed: readonly PlacedThing[]): PreparationLine[] {
  const { units } = plan.site;
  const size = (metres: number): string => `${drawnLength(metres, units)}${units === 'metric' ? ' mm' : ''}`;
  const line = (id: string, what: string, why: string, wall = ''): PreparationLine => ({
    id,
    wall,
    what,
    why,
  });
  const byWall = groupBy(placed, ({ wall }) => wall);
  const ofWalls = [...byWall].flatMap(([wall, there]) => wallLines(wall, there));
  const heavy = placed.filter(({ thing }) => thing.kind === 'unit' && (thing.massKg ?? 0) > 92);
  return [
    ...ofWalls,
    ...(heavy.length > 0
      ? [
          line(
            'lift',
            `A lift or stacker for ${plainQuantityText(Math.max(...heavy.map(({ thing }) => thing.massKg ?? 0)), 'kg', units)}, and a way for it to the wall`,
            `${nameList(
              heavy.map(({ thing }) => thing.name),
              4,
            )}: more than four people should carry.`,
          ),
        ]
      : []),
    ...(placed.length > 0
      ? [
          line(
            'template',
            'Plates and paper templates held to the wall before the first hole',
            'Holes for brackets and conduits come out of one drawing.',
          ),
          line(
            'knockouts',
            'Knockouts measured on the units themselves',
            'Those of boxes and units rarely match; a hole punch and reducing washers are with the tools.',
          ),
          line(
            'bushings',
            'Bushings and locknuts for every entry; one spare conduit between inverter and panel',
            'For the communication of today and the unit of tomorrow.',
          ),
        ]
      : []),
  ];

  function wallLines(wall: Wall, there: readonly PlacedThing[]): PreparationLine[] {
    const work = wallWork(plan.placement, wall.id);
    const cabinets = there.filter(({ thing }) => thing.kind === 'unit');
    const hanging = cabinets.filter((one) => !holdOf(one, plan.placement).stands);
    const lines: PreparationLine[] = [];
    const add = (id: string, what: string, why: string): void => {
      lines.push(line(`${id}.${wall.id}`, what, why, wall.name));
    };
    if (work.plywood === true && hanging.length > 0) {
      const left = Math.max(0, Math.min(...hanging.map(({ leftM }) => leftM)) - beyondM);
      const right = Math.min(wall.lengthM, Math.max(...hanging.map(rightOf)) + beyondM);
      const bottom = Math.max(0, Math.min(...hanging.map(({ bottomM }) => bottomM)) - beyondM);
      const top = Math.min(wall.heightM, Math.max(...hanging.map(topOf)) + beyondM);
      add(
        'plywood',
        `Plywood ${units === 'metric' ? '18 mm' : '3/4"'}, ${size(right - left)} × ${size(top - bottom)}, its lower left corner ${size(left)} from the left and ${size(bottom)} up; screwed to every stud, painted${work.board === true ? ', behind the board that does not burn' : ''}`,
        `It spreads the load of ${nameList(
          hanging.map(({ thing }) => thing.name),
          4,
        )} over more studs.`,
      );
    }
    if (work.board === true)
      add(
        'board',
        'A board that does not burn behind the storage, joints sealed',
        'As the rules of the place ask.',
      );
    if (work.detection === true)
      add(
        'detection',
        `A listed smoke or heat alarm, connected to those of the dwelling (${placeKinds[wall.place].label.toLowerCase()})`,
        'Where storage is indoors.',
      );
    if (work.impact === 'bollards')
      add(
        'bollards',
        'Bollards set in concrete before the units, a week before',
        'A vehicle can reach the wall.',
      );
    if (work.impact === 'stop')
      add('stop', 'A wheel stop anchored to the floor', 'A vehicle can reach the wall.');
    if (work.plinth !== null && work.plinth > 0)
      add(
        'plinth',
        `A plinth ${size(work.plinth)} high below what stands`,
        'Poured and level before the units come.',
      );
    if (work.shade === true)
      add('shade', 'The roof or screen that shades the units', 'It is counted on in the temperatures.');
    for (const opening of wall.openings) {
      if (!movable.has(opening.kind)) continue;
      const near = there.filter(
        (one) => besideM(one, opening) < inTheWayM && overM(one, opening) < inTheWayM,
      );
      if (near.length > 0)
        add(
          `move-${opening.id}`,
          `${openingName(opening)} to move or take away`,
          `It is in the way of ${nameList(
            near.map(({ thing }) => thing.name),
            3,
          )}.`,
        );
    }
    const inverters = cabinets.filter(({ thing }) => thing.unit?.inverter);
    const from = inverters[0] ?? cabinets[0];
    for (const to of from ? routeEnds : []) {
      const route = from && routeOf(from, wall, to);
      if (!route) continue;
      if (route.lengthM > 0.05)
        add(
          `route-${to}`,
          `Conduit to the ${to}: ${size(route.lengthM)}`,
          route.legs.map(({ kind, lengthM }) => `${size(lengthM)} ${legKinds[kind]}`).join(', '),
        );
      for (const kind of new Set(route.legs.map((leg) => leg.kind))) {
        const warning = legWarnings[kind];
        if (warning) add(`leg-${to}-${kind}`, warning, `On the way to the ${to}.`);
      }
      if (route.legs.some(({ kind }) => kind === 'wall'))
        add(
          `nipple-${to}`,
          'A recessed box and a nipple through the wall, sealed and fire-stopped',
          `From inside to outside on the way to the ${to}.`,
        );
    }
    const gutter = there.some(({ thing }) => thing.kind === 'gutter');
    const boxes = there.filter(({ thing }) => thing.kind !== 'gutter').length;
    if (boxes > 3 && !gutter)
      add(
        'gutter',
        'A gutter below the boxes would save bends',
        `${boxes} things hang on wall ${wall.name}.`,
      );
    const order = hanging.toSorted((a, b) => a.leftM - b.leftM);
    if (order.length > 1)
      add(
        'order',
        `Brackets in this order, from the left: ${order.map(({ thing }) => thing.name).join(', ')}`,
        'Set and levelled all together before the first unit is lifted.',
      );
    return lines;
  }
}
