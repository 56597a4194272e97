import * as z from 'zod';
import { amountSchema, field, idSchema, lineSchema, yesNo } from '../../base/index.js';
import { wallSchema } from './wall.schema.js';

/** What stands on a lot beside the house. */
export const markKinds = {
  meter: 'Electric meter',
  panel: 'Panel',
  disconnect: 'Disconnect',
  'gas-meter': 'Gas meter',
  generator: 'Generator',
  array: 'Solar array',
  driveway: 'Driveway',
  path: 'Path, access',
  boundary: 'Boundary of the lot',
  building: 'Other building',
  tree: 'Tree',
  other: 'Something else',
} as const;
export type MarkKind = keyof typeof markKinds;
const markKindNames = Object.keys(markKinds) as [MarkKind, ...MarkKind[]];

/** Where things are on the plan, m east and north of its origin. */
const east = () => field(amountSchema(-500, 500, 'm'), { label: 'East', unit: 'span' });
const north = () => field(amountSchema(-500, 500, 'm'), { label: 'North', unit: 'span' });

export const cornerSchema = z.strictObject({ eastM: east(), northM: north() });
export type Corner = z.infer<typeof cornerSchema>;

export const markSchema = z.strictObject({
  id: idSchema,
  kind: field(z.enum(markKindNames, { error: 'Choose what it is' }), {
    label: 'It is',
    choices: Object.entries(markKinds) as [MarkKind, string][],
  }),
  name: field(lineSchema(60), { label: 'Name' }),
  /** Its south-west corner. */
  eastM: east(),
  northM: north(),
  /** 0: a point. */
  widthM: field(amountSchema(0, 500, 'm'), { label: 'East to west', unit: 'span' }),
  depthM: field(amountSchema(0, 500, 'm'), { label: 'North to south', unit: 'span' }),
});
export type LotMark = z.infer<typeof markSchema>;

/** The house on its lot: walls that equipment may hang on, the outline of the house, what stands around it. */
export const lotSchema = z.strictObject({
  walls: z.array(wallSchema).max(30, 'A job holds at most 30 walls'),
  /** Corners of the house, one after the other, anticlockwise seen from above: each side runs from left to right for who stands before it. */
  corners: z.array(cornerSchema).max(40, 'An outline has at most 40 corners'),
  marks: z.array(markSchema).max(60, 'A plan of the lot holds at most 60 things'),
  /** Design flood above the ground before the house; null = none is known. */
  floodM: field(amountSchema(-5, 20, 'm').nullable(), {
    label: 'Flood level above the ground',
    unit: 'span',
    hint: 'empty: none is expected',
  }),
  snowM: field(amountSchema(0, 6, 'm').nullable(), { label: 'Snow that lies', unit: 'span' }),
  saltAir: yesNo('Salt air'),
  seismic: yesNo('Earthquake country'),
  altitudeM: field(amountSchema(-450, 6000, 'm').nullable(), { label: 'Altitude', unit: 'span' }),
});
export type Lot = z.infer<typeof lotSchema>;

export const emptyLot = (): Lot => ({
  walls: [],
  corners: [],
  marks: [],
  floodM: null,
  snowM: null,
  saltAir: null,
  seismic: null,
  altitudeM: null,
});
