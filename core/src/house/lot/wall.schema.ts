import * as z from 'zod';
import { amountSchema, field, idSchema, lineSchema, nameSchema } from '../../base/index.js';

/** Where a wall is, as codes and temperatures tell places apart. */
export const placeKinds = {
  outdoors: { label: 'Outdoors, on the wall of the house', isOutdoors: true, isLivedIn: false },
  'outdoors-apart': { label: 'Outdoors, apart from the house', isOutdoors: true, isLivedIn: false },
  'attached-garage': { label: 'Attached garage', isOutdoors: false, isLivedIn: false },
  'detached-garage': { label: 'Detached garage', isOutdoors: false, isLivedIn: false },
  accessory: { label: 'Shed or outbuilding', isOutdoors: false, isLivedIn: false },
  'utility-closet': { label: 'Utility closet', isOutdoors: false, isLivedIn: false },
  'utility-room': { label: 'Utility or storage room', isOutdoors: false, isLivedIn: false },
  basement: { label: 'Basement', isOutdoors: false, isLivedIn: false },
  hallway: { label: 'Hall or corridor', isOutdoors: false, isLivedIn: true },
  stairs: { label: 'Stairs, or below them', isOutdoors: false, isLivedIn: true },
  living: { label: 'Living room, kitchen, office', isOutdoors: false, isLivedIn: true },
  bedroom: { label: 'Bedroom', isOutdoors: false, isLivedIn: true },
  attic: { label: 'Attic, ceiling space', isOutdoors: false, isLivedIn: false },
  'crawl-space': { label: 'Crawl space', isOutdoors: false, isLivedIn: false },
} as const;
export type PlaceKind = keyof typeof placeKinds;
const placeKindNames = Object.keys(placeKinds) as [PlaceKind, ...PlaceKind[]];

/** What hangs on a wall, is let into it, or stands before it. */
export const openingKinds = {
  door: 'Door into the house',
  'garage-door': 'Door of the garage',
  window: 'Window that opens',
  'fixed-window': 'Window that does not open',
  vent: 'Vent, intake or flue',
  'gas-meter': 'Gas meter or regulator',
  meter: 'Electric meter',
  panel: 'Panel',
  disconnect: 'Disconnect',
  appliance: 'Heater or other appliance',
  tap: 'Water tap',
  receptacle: 'Receptacle',
  light: 'Light',
  downpipe: 'Downpipe',
  shelf: 'Shelf, cupboard, workbench',
  other: 'Something else',
} as const;
export type OpeningKind = keyof typeof openingKinds;
const openingKindNames = Object.keys(openingKinds) as [OpeningKind, ...OpeningKind[]];

const choicesOf = <K extends string>(labels: Readonly<Record<K, string>>): [K, string][] =>
  Object.entries(labels) as [K, string][];

/** Positions are those of its lower left corner, seen from in front, from the left end of the wall and from the ground before it. */
export const openingSchema = z.strictObject({
  id: idSchema,
  kind: field(z.enum(openingKindNames, { error: 'Choose what it is' }), {
    label: 'It is',
    choices: choicesOf(openingKinds),
  }),
  name: field(lineSchema(60), { label: 'Name' }),
  leftM: field(amountSchema(0, 60, 'm'), { label: 'From the left', unit: 'span' }),
  bottomM: field(amountSchema(-1, 20, 'm'), { label: 'From the ground', unit: 'span' }),
  widthM: field(amountSchema(0.02, 60, 'm'), { label: 'Width', unit: 'span' }),
  heightM: field(amountSchema(0.02, 20, 'm'), { label: 'Height', unit: 'span' }),
});
export type Opening = z.infer<typeof openingSchema>;

export const constructions = ['wood', 'steel', 'masonry', 'concrete'] as const;
export type Construction = (typeof constructions)[number];

/** Woods of which only the density counts (NDS, Table 12.3.3A; recalled). */
export const studWoods = {
  'spruce-pine-fir': { label: 'spruce-pine-fir', gravity: 0.42 },
  'hem-fir': { label: 'hem-fir', gravity: 0.43 },
  'douglas-fir': { label: 'Douglas fir-larch', gravity: 0.5 },
  'southern-pine': { label: 'southern pine', gravity: 0.55 },
} as const;
export type StudWood = keyof typeof studWoods;

const behinds = {
  living: 'a room that is lived in',
  bedroom: 'a bedroom',
  garage: 'the garage',
  utility: 'a utility room',
  outdoors: 'outdoors',
} as const;
const fronts = {
  clear: 'nothing',
  driveway: 'a driveway, or where a car is parked',
  path: 'a path or an exit',
  planting: 'planting',
} as const;

/** A point of the horizon seen from the wall. */
const horizonPoint = z.strictObject({
  azimuthDeg: amountSchema(0, 360, '°'),
  elevationDeg: amountSchema(0, 90, '°'),
});

/** What it is made of; null = nobody has looked. */
const makeFields = {
  construction: field(z.enum(constructions, { error: 'Choose what it is made of' }).nullable(), {
    label: 'Made of',
    choices: [
      ['wood', 'wooden studs'],
      ['steel', 'steel studs'],
      ['masonry', 'masonry'],
      ['concrete', 'concrete'],
    ],
  }),
  studSpacingM: field(amountSchema(0.2, 1.3, 'm').nullable(), {
    label: 'Studs every',
    unit: 'span',
    hint: 'centre to centre',
  }),
  firstStudM: field(amountSchema(0, 1.3, 'm').nullable(), {
    label: 'First stud from the left',
    unit: 'span',
    hint: 'its centre',
  }),
  wood: field(
    z
      .enum(Object.keys(studWoods) as [StudWood, ...StudWood[]], { error: 'Choose the wood of the studs' })
      .nullable(),
    {
      label: 'Wood of the studs',
      choices: Object.entries(studWoods).map(([wood, { label }]) => [wood, label] as const),
    },
  ),
  coverMm: field(amountSchema(0, 150, 'mm').nullable(), {
    label: 'Board, sheathing and cladding before the studs',
    unit: 'mm',
  }),
  combustible: field(z.boolean({ error: 'Say yes or no' }).nullable(), {
    label: 'Its face burns',
    choices: [
      [true, 'yes: wood, vinyl'],
      [false, 'no: masonry, stucco, cement or gypsum board'],
    ],
  }),
};

/** What is around it; null = nobody has said. */
const aroundFields = {
  behind: field(
    z.enum(Object.keys(behinds) as (keyof typeof behinds)[], { error: 'Choose what lies behind' }).nullable(),
    { label: 'Behind it', choices: choicesOf(behinds) },
  ),
  front: field(
    z.enum(Object.keys(fronts) as (keyof typeof fronts)[], { error: 'Choose what is in front' }).nullable(),
    { label: 'Before it', choices: choicesOf(fronts) },
  ),
  freeBeforeM: field(amountSchema(0, 100, 'm').nullable(), { label: 'Free before it', unit: 'span' }),
  neighbourM: field(amountSchema(0, 500, 'm').nullable(), {
    label: 'To a neighbour’s window',
    unit: 'span',
  }),
  bedroomM: field(amountSchema(0, 100, 'm').nullable(), {
    label: 'To the nearest bedroom window or wall',
    unit: 'span',
  }),
};

/** Sun and temperature; null = a stated default. */
const climateFields = {
  facingDeg: field(amountSchema(0, 360, '°').nullable(), {
    label: 'Faces',
    unit: 'deg',
    hint: 'clockwise from north: east 90, south 180, west 270',
  }),
  eavesDepthM: field(amountSchema(0, 10, 'm').nullable(), { label: 'Eaves stand out', unit: 'span' }),
  eavesHeightM: field(amountSchema(0.5, 20, 'm').nullable(), {
    label: 'Their edge above the ground',
    unit: 'span',
  }),
  horizon: field(z.array(horizonPoint).max(36, 'Use at most 36 points'), {
    label: 'Horizon',
    points: {
      numbers: [
        ['elevationDeg', 'deg'],
        ['azimuthDeg', 'deg'],
      ],
      between: 'at',
    },
    hint: 'height at a direction: “12 at 90; 20 at 150”; straight between them',
  }),
  lowestC: field(amountSchema(-50, 40, '°C').nullable(), { label: 'Lowest inside', unit: '°C' }),
  highestC: field(amountSchema(0, 70, '°C').nullable(), { label: 'Highest inside', unit: '°C' }),
};

/** Which way conduits can leave it. */
export const legKinds = {
  surface: 'on the surface',
  wall: 'through a wall',
  attic: 'through the attic',
  'crawl-space': 'through the crawl space',
  trench: 'in a trench',
  inside: 'inside a finished wall',
} as const;
export type LegKind = keyof typeof legKinds;
const legKindNames = Object.keys(legKinds) as [LegKind, ...LegKind[]];

export const legSchema = z.strictObject({
  kind: field(z.enum(legKindNames, { error: 'Choose the kind of leg' }), {
    label: 'Runs',
    choices: choicesOf(legKinds),
  }),
  lengthM: field(amountSchema(0.05, 300, 'm'), { label: 'Length', unit: 'span' }),
});
export type RouteLeg = z.infer<typeof legSchema>;

/** From the left lower corner of a wall, to what it is connected to; the way along the wall comes on top. */
export const wallRouteSchema = z.strictObject({
  to: z.enum(['panel', 'meter', 'array', 'generator'], { error: 'Choose where the route leads' }),
  /** Where on the wall it leaves: from its left end, and from the ground. */
  fromM: field(amountSchema(0, 60, 'm'), { label: 'Leaves at, from the left', unit: 'span' }),
  atM: field(amountSchema(0, 20, 'm'), { label: 'Leaves at, from the ground', unit: 'span' }),
  legs: z.array(legSchema).max(12, 'Use at most 12 legs'),
});
export type WallRoute = z.infer<typeof wallRouteSchema>;

/** Its photo with two points whose place on the wall is known. */
const traceSchema = z.strictObject({
  photoId: idSchema,
  /** Corners of the wall on the photo, as shares of width and height: lower left, lower right, upper right, upper left. */
  corners: z
    .array(z.strictObject({ x: amountSchema(-1, 2), y: amountSchema(-1, 2) }))
    .length(4, 'Mark the four corners of a known rectangle'),
  /** The rectangle these corners are in truth. */
  leftM: amountSchema(0, 60, 'm'),
  bottomM: amountSchema(-1, 20, 'm'),
  widthM: field(amountSchema(0.1, 60, 'm'), { label: 'Known width', unit: 'span' }),
  heightM: field(amountSchema(0.1, 20, 'm'), { label: 'Known height', unit: 'span' }),
});
export type WallTrace = z.infer<typeof traceSchema>;

/** A wall that equipment may hang on, as it is surveyed. */
export const wallSchema = z.strictObject({
  id: idSchema,
  name: field(nameSchema(60), { label: 'Wall', hint: 'a letter, and where it is' }),
  place: field(z.enum(placeKindNames, { error: 'Choose where the wall is' }), {
    label: 'Where it is',
    choices: Object.entries(placeKinds).map(([kind, { label }]) => [kind, label] as const),
  }),
  lengthM: field(amountSchema(0.3, 60, 'm'), { label: 'Length', unit: 'span' }),
  heightM: field(amountSchema(0.5, 20, 'm'), { label: 'Height', unit: 'span' }),
  ...makeFields,
  ...aroundFields,
  ...climateFields,
  openings: z.array(openingSchema).max(40, 'A wall holds at most 40 things'),
  routes: z.array(wallRouteSchema).max(4, 'A wall has at most one route to each'),
  trace: traceSchema.nullable(),
  /** Which side of the outline it is on, and how far from that side’s first corner its left end is; null = none is named. */
  side: z.int('Name a side of the outline').min(0).max(39).nullable(),
  alongM: field(amountSchema(0, 200, 'm'), { label: 'From the corner', unit: 'span' }),
});
export type Wall = z.infer<typeof wallSchema>;

/** A wall of which nothing is known but its size. */
export const newWall = (id: string, name: string, lengthM: number, heightM: number): Wall => ({
  id,
  name,
  place: 'outdoors',
  lengthM,
  heightM,
  construction: null,
  studSpacingM: null,
  firstStudM: null,
  wood: null,
  coverMm: null,
  combustible: null,
  behind: null,
  front: null,
  freeBeforeM: null,
  neighbourM: null,
  bedroomM: null,
  facingDeg: null,
  eavesDepthM: null,
  eavesHeightM: null,
  horizon: [],
  lowestC: null,
  highestC: null,
  openings: [],
  routes: [],
  trace: null,
  side: null,
  alongM: 0,
});
