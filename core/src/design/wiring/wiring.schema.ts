import * as z from 'zod';
import { amountSchema, countSchema, field, idSchema, lineSchema, placeWord } from '../../base/index.js';
import { conductorMaterials, conductorSizes } from '../../electric/index.js';

const perhaps = (label: string) =>
  field(z.boolean({ error: 'Say yes or no' }).nullable(), {
    label,
    choices: [
      [null, 'Not said'],
      [true, 'yes'],
      [false, 'no'],
    ],
  });

/** Names a thing of the wiring: it follows from what the thing is. */
const wiringIdSchema = z
  .string({ error: 'Name a part of the wiring' })
  .regex(/^[A-Za-z0-9_:-]{1,120}$/, 'Name a part of the wiring');

export const earthings = ['house', 'supplier', 'electrode'] as const;
export type Earthing = (typeof earthings)[number];

/** What the designer says of one part of the wiring; null = as it follows from the rest. */
export const partSaidSchema = z.strictObject({
  id: wiringIdSchema,
  ratingA: field(amountSchema(1, 1200, 'A').nullable(), { label: 'Device', unit: 'A' }),
  switchesNeutral: perhaps('Switches the neutral'),
  size: field(z.enum(conductorSizes, { error: 'Choose a conductor size from the list' }).nullable(), {
    label: 'Conductor',
    choices: [[null, 'the smallest that holds'], ...conductorSizes.map((size) => [size, size] as const)],
  }),
  material: field(z.enum(conductorMaterials, { error: 'Choose copper or aluminium' }).nullable(), {
    label: 'Metal',
    choices: [
      [null, 'copper'],
      ['copper', 'copper'],
      ['aluminium', 'aluminium'],
    ],
  }),
  lengthM: field(amountSchema(0.1, 500, 'm').nullable(), { label: 'Length', unit: 'm' }),
  /** Conductors that carry current in the same raceway; circuits side by side where sizes are metric. */
  together: field(countSchema(1, 60).nullable(), { label: 'Carry current together', unit: 'count' }),
  cable: field(z.enum(['raceway', 'nm'], { error: 'Choose raceway or nm' }).nullable(), {
    label: 'Laid as',
    choices: [
      [null, 'single conductors in a raceway'],
      ['raceway', 'single conductors in a raceway'],
      ['nm', 'NM cable'],
    ],
  }),
  /** It begins without a device: what protects it is ahead, and rules of taps hold. */
  tap: perhaps('Tapped, without a device of its own'),
});
export type PartSaid = z.infer<typeof partSaidSchema>;

const standingSchema = z.strictObject({ handle: wiringIdSchema, position: lineSchema(20) });

/** Two or three positions that cannot be together. */
export const interlockSchema = z.strictObject({
  id: idSchema,
  forbids: z.array(standingSchema).min(2, 'Name two positions').max(3, 'Name at most three positions'),
});
export type WiringInterlock = z.infer<typeof interlockSchema>;

/** Of one island: what the wiring cannot know. */
export const islandWiringSchema = z.strictObject({
  islandId: idSchema,
  /** Where the source comes onto the house: a breaker in a panel, or the enclosure of the isolating device. */
  joins: field(z.enum(['panel', 'enclosure'], { error: 'Choose panel or enclosure' }).nullable(), {
    label: 'The source comes in',
    choices: [
      [null, 'as is usual for the device'],
      ['panel', 'on a breaker in the panel'],
      ['enclosure', 'in the enclosure of the device'],
    ],
  }),
  /** Its breaker is at the far end of the busbar from the main. */
  atFarEnd: perhaps('Source breaker at the far end'),
  /** A power control system holds sources and supply together to so much. */
  heldToA: field(amountSchema(10, 1200, 'A').nullable(), {
    label: 'Held by a control system to',
    unit: 'A',
    hint: 'empty: there is none',
  }),
  /** Who designed the connection to the busbar with fault currents and busbar loads calculated, and stands for it; '' = nobody. */
  engineer: field(lineSchema(120), {
    label: 'Under engineering supervision of',
    hint: 'name and licence; calculations of fault current and busbar load go with the papers',
  }),
  bypass: field(z.enum(['none', 'interlocked', 'separate'], { error: 'Choose the bypass' }), {
    label: 'Bypass by hand',
    choices: [
      ['none', 'none'],
      ['interlocked', 'one handle: normal or bypass'],
      ['separate', 'a switch of its own'],
    ],
  }),
  /** Most current one inverter gives into a short, as so many times its rating. */
  faultTimes: field(amountSchema(0.5, 10).nullable(), {
    label: 'Gives into a short, times its rating',
    unit: 'factor',
  }),
  /** What forms the neutral of its two legs; null = the inverter does. */
  neutral: field(
    z
      .enum(['inverter', 'autotransformer', 'none'], { error: 'Choose inverter, autotransformer or none' })
      .nullable(),
    {
      label: 'The neutral is formed by',
      choices: [
        [null, 'the inverter'],
        ['inverter', 'the inverter'],
        ['autotransformer', 'an autotransformer'],
        ['none', 'nothing'],
      ],
    },
  ),
});
export type IslandWiring = z.infer<typeof islandWiringSchema>;

/** How the modules of an array are strung, as far as somebody has read it off; null = nobody has. */
export const stringSaidSchema = z.strictObject({
  arrayId: idSchema,
  inSeries: field(countSchema(1, 40).nullable(), { label: 'Modules in series', unit: 'count' }),
  openV: field(amountSchema(1, 200, 'V').nullable(), { label: 'Open-circuit voltage of one', unit: 'V' }),
  /** Change of the open-circuit voltage for each °C, as a share; negative. */
  openPerC: field(amountSchema(-0.01, 0).nullable(), {
    label: 'Its change for each °C',
    unit: 'share',
    hint: 'for example −0.27 %; empty: from the table',
  }),
  inputMaxV: field(amountSchema(10, 1500, 'V').nullable(), { label: 'Input takes at most', unit: 'V' }),
});
export type StringSaid = z.infer<typeof stringSaidSchema>;

export const stringSaid = ({ strings }: Pick<Wiring, 'strings'>, arrayId: string): StringSaid =>
  strings.find((said) => said.arrayId === arrayId) ?? {
    arrayId,
    inSeries: null,
    openV: null,
    openPerC: null,
    inputMaxV: null,
  };

export const sayOfString = (wiring: Wiring, arrayId: string, change: Partial<StringSaid>): Wiring => ({
  ...wiring,
  strings: [
    ...wiring.strings.filter((one) => one.arrayId !== arrayId),
    { ...stringSaid(wiring, arrayId), ...change, arrayId },
  ],
});

/** Nothing is moved further on the drawing, mm. */
const mostMm = 2000;

/** How far a thing of the drawing was moved, mm on the drawing. */
export const nudgeSchema = z.strictObject({
  id: wiringIdSchema,
  rightMm: amountSchema(-mostMm, mostMm),
  downMm: amountSchema(-mostMm, mostMm),
});
export type Nudge = z.infer<typeof nudgeSchema>;

/** Moves a thing of the drawing from where it stands; one that is back where it was laid out is forgotten. */
export function nudge(wiring: Wiring, id: string, rightMm: number, downMm: number): Wiring {
  const before = wiring.nudges.find((one) => one.id === id);
  const within = (value: number): number => Math.max(-mostMm, Math.min(mostMm, Math.round(value * 10) / 10));
  const now = {
    id,
    rightMm: within((before?.rightMm ?? 0) + rightMm),
    downMm: within((before?.downMm ?? 0) + downMm),
  };
  const others = wiring.nudges.filter((one) => one.id !== id);
  return { ...wiring, nudges: now.rightMm === 0 && now.downMm === 0 ? others : [...others, now] };
}

/** What a designer says of the wiring; everything else is derived. */
export const wiringSchema = z.strictObject({
  earthing: field(z.enum(earthings, { error: `Choose one of: ${earthings.join(', ')}` }).nullable(), {
    label: `Neutral and ${placeWord('earth')} are joined`,
    choices: [
      [null, 'as is usual there'],
      ['house', 'at the service of the house'],
      ['supplier', 'by the supplier (TN)'],
      ['electrode', 'only by an electrode of the house (TT)'],
    ],
  }),
  transformerKVA: field(amountSchema(1, 5000).nullable(), {
    label: 'Transformer, kVA',
    unit: 'factor',
    hint: 'to estimate the fault current where the utility gives none',
  }),
  transformerImpedance: field(amountSchema(0.005, 0.2).nullable(), {
    label: 'Its impedance',
    unit: 'share',
    hint: 'empty: 2 %',
  }),
  ambientC: field(amountSchema(-20, 70, '°C').nullable(), {
    label: 'Air around the wiring',
    unit: '°C',
    hint: 'empty: 30 °C',
  }),
  coldestC: field(amountSchema(-60, 30, '°C').nullable(), { label: 'Coldest hour of an array', unit: '°C' }),
  generatorNeutral: field(z.enum(['bonded', 'floating'], { error: 'Choose bonded or floating' }).nullable(), {
    label: 'Neutral of the generator',
    choices: [
      [null, 'not looked at'],
      ['bonded', 'bonded to its frame'],
      ['floating', 'floating'],
    ],
  }),
  transferNeutral: field(z.enum(['switched', 'solid'], { error: 'Choose switched or solid' }).nullable(), {
    label: 'Its transfer switch',
    choices: [
      [null, 'not looked at'],
      ['switched', 'switches the neutral'],
      ['solid', 'leaves the neutral solid'],
    ],
  }),
  /** Against surges, at or beside the service equipment. */
  surge: perhaps('Surge protection at the service'),
  parts: z.array(partSaidSchema).max(400, 'Use at most 400 parts'),
  interlocks: z.array(interlockSchema).max(40, 'Use at most 40 interlocks'),
  islands: z.array(islandWiringSchema).max(8, 'Use at most 8 islands'),
  strings: z.array(stringSaidSchema).max(12, 'Use at most 12 arrays'),
  /** Things of the drawing that were moved from where they are laid out. */
  nudges: z.array(nudgeSchema).max(400, 'Move at most 400 things'),
});
export type Wiring = z.infer<typeof wiringSchema>;

export const emptyWiring = (): Wiring => ({
  earthing: null,
  transformerKVA: null,
  transformerImpedance: null,
  ambientC: null,
  coldestC: null,
  generatorNeutral: null,
  transferNeutral: null,
  surge: null,
  parts: [],
  interlocks: [],
  islands: [],
  strings: [],
  nudges: [],
});

const nothingSaid = (id: string): PartSaid => ({
  id,
  ratingA: null,
  switchesNeutral: null,
  size: null,
  material: null,
  lengthM: null,
  together: null,
  cable: null,
  tap: null,
});

/** What is said of a part, or that nothing is. */
export const partSaid = ({ parts }: Pick<Wiring, 'parts'>, id: string): PartSaid =>
  parts.find((said) => said.id === id) ?? nothingSaid(id);

/** The wiring with something else said of a part; what says nothing any more is left out. */
export function sayOfPart(wiring: Wiring, id: string, change: Partial<PartSaid>): Wiring {
  const said = { ...partSaid(wiring, id), ...change, id };
  const others = wiring.parts.filter((one) => one.id !== id);
  const isEmpty = Object.entries(said).every(([key, value]) => key === 'id' || value === null);
  return { ...wiring, parts: isEmpty ? others : [...others, said] };
}

export const islandWiring = ({ islands }: Pick<Wiring, 'islands'>, islandId: string): IslandWiring =>
  islands.find((said) => said.islandId === islandId) ?? {
    islandId,
    joins: null,
    atFarEnd: null,
    heldToA: null,
    engineer: '',
    bypass: 'none',
    faultTimes: null,
    neutral: null,
  };

export const sayOfIsland = (wiring: Wiring, islandId: string, change: Partial<IslandWiring>): Wiring => ({
  ...wiring,
  islands: [
    ...wiring.islands.filter((one) => one.islandId !== islandId),
    { ...islandWiring(wiring, islandId), ...change, islandId },
  ],
});
