import * as z from 'zod';
import { amountSchema, field, idSchema, yesNo } from '../../base/index.js';

/** Names a thing that is placed: it follows from what the thing is. */
const thingIdSchema = z
  .string({ error: 'Name what is placed' })
  .regex(/^[A-Za-z0-9_:-]{1,120}$/, 'Name what is placed');

/** Where a thing stands or hangs: its lower left corner, seen from in front, on a wall. */
export const placedSchema = z.strictObject({
  thingId: thingIdSchema,
  wallId: idSchema,
  leftM: field(amountSchema(-5, 65, 'm'), { label: 'From the left', unit: 'span' }),
  bottomM: field(amountSchema(-1, 20, 'm'), { label: 'From the ground', unit: 'span' }),
});
export type Placed = z.infer<typeof placedSchema>;

/** What is done at a wall for the equipment on it; null = nobody has said. */
export const wallWorkSchema = z.strictObject({
  wallId: idSchema,
  detection: yesNo('Smoke or heat alarm there, connected to the others'),
  board: yesNo('Behind it a board that does not burn', '⅝ in type X gypsum, cement board'),
  impact: field(
    z
      .enum(['none', 'bollards', 'stop', 'aside'], { error: 'Choose the protection from vehicles' })
      .nullable(),
    {
      label: 'Protection from vehicles',
      choices: [
        ['none', 'none'],
        ['bollards', 'bollards'],
        ['stop', 'wheel stop'],
        ['aside', 'out of the way: beside or above what drives'],
      ],
    },
  ),
  plywood: yesNo('Plywood over the studs', '¾ in, screwed to every stud'),
  plinth: field(amountSchema(0, 2, 'm').nullable(), { label: 'Plinth below what stands', unit: 'span' }),
  shade: yesNo('Shaded by a roof or screen of its own'),
  ventilated: yesNo('Ventilated to outdoors'),
});
export type WallWork = z.infer<typeof wallWorkSchema>;

/** Where the equipment of a design is put. */
export const placementSchema = z.strictObject({
  placed: z.array(placedSchema).max(120, 'Place at most 120 things'),
  works: z.array(wallWorkSchema).max(30, 'A job holds at most 30 walls'),
  /** Share of the sunlight its cabinets take up. */
  absorptance: field(amountSchema(0.05, 1).nullable(), {
    label: 'Sunlight the cabinets take up',
    unit: 'share',
    hint: 'white 30 %, grey 60 %, black 95 %',
  }),
});
export type Placement = z.infer<typeof placementSchema>;

export const emptyPlacement = (): Placement => ({ placed: [], works: [], absorptance: null });

/** What is said of the work at a wall, or that nothing is. */
export const wallWork = ({ works }: Pick<Placement, 'works'>, wallId: string): WallWork =>
  works.find((said) => said.wallId === wallId) ?? {
    wallId,
    detection: null,
    board: null,
    impact: null,
    plywood: null,
    plinth: null,
    shade: null,
    ventilated: null,
  };

/** The placement with something else said of the work at a wall. */
export const sayOfWall = (placement: Placement, wallId: string, change: Partial<WallWork>): Placement => ({
  ...placement,
  works: [
    ...placement.works.filter((one) => one.wallId !== wallId),
    { ...wallWork(placement, wallId), ...change, wallId },
  ],
});

/** The placement with things put somewhere else; what was not placed is. */
export function put(placement: Placement, placed: readonly Placed[]): Placement {
  const moved = new Set(placed.map(({ thingId }) => thingId));
  return {
    ...placement,
    placed: [...placement.placed.filter(({ thingId }) => !moved.has(thingId)), ...placed],
  };
}

/** The placement without some things; they stay in the design. */
export const takeDown = (placement: Placement, thingIds: readonly string[]): Placement => ({
  ...placement,
  placed: placement.placed.filter(({ thingId }) => !thingIds.includes(thingId)),
});
