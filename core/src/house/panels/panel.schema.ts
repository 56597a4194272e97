import * as z from 'zod';
import {
  amountSchema,
  countSchema,
  field,
  idSchema,
  lineSchema,
  nameSchema,
  placeWord,
} from '../../base/index.js';
import { conductorSchema } from '../../electric/index.js';

const ratingSchema = amountSchema(1, 1200, 'A');
const yesNo = z.boolean({ error: 'Say yes or no' });

export const protections = ['standard', 'afci', 'gfci', 'afci-gfci', 'rcd', 'rcbo', 'afdd'] as const;
export type Protection = (typeof protections)[number];

export const slotUses = ['circuit', 'spare'] as const;

/** A breaker in a panel, and what it feeds. Spaces without a breaker are blanks. */
export const circuitSchema = z.strictObject({
  id: idSchema,
  name: field(lineSchema(80), { label: 'Name' }),
  /** A spare is a breaker that feeds nothing. */
  use: z.enum(slotUses, { error: 'Choose circuit or spare' }),
  /** Numbers of the spaces it takes, one for each pole. */
  spaces: z
    .array(countSchema(1, 84))
    .min(1, 'A breaker takes a space')
    .max(3, 'A breaker has at most three poles'),
  /** Upper (a) or lower (b) half of a space, for tandem breakers. */
  half: z.enum(['a', 'b'], { error: 'Choose half a or b' }).nullable(),
  ratingA: field(ratingSchema.nullable(), { label: 'Breaker', unit: 'A' }),
  protection: field(z.enum(protections, { error: `Choose one of: ${protections.join(', ')}` }), {
    label: 'Protection',
    choices: [
      ['standard', 'Standard'],
      ['afci', 'Arc fault (AFCI)'],
      ['gfci', 'Ground fault (GFCI)'],
      ['afci-gfci', 'Arc and ground fault'],
      ['rcd', 'Behind an RCD'],
      ['rcbo', 'RCBO'],
      ['afdd', 'AFDD'],
    ],
  }),
  /** Family of the breaker; '' = the one its panel is listed for. */
  family: field(lineSchema(40), { label: 'Breaker family', hint: 'empty: as the panel' }),
  conductor: conductorSchema.nullable(),
  /** Does a neutral run with it? null = assumed from what hangs on it. */
  neutral: field(yesNo.nullable(), {
    label: 'Neutral',
    choices: [
      [null, 'Assumed from its loads'],
      [true, 'With a neutral'],
      [false, 'Without a neutral'],
    ],
  }),
  /** Circuits of a panel with the same mark share one neutral; '' = a neutral of its own. */
  neutralGroup: field(lineSchema(12), { label: 'Shares neutral', hint: 'same mark on each' }),
  handleTie: yesNo,
  /** Something behind it can feed back: solar, battery, generator. */
  backFeeds: yesNo,
  /** Name of the channel of a circuit monitor that measures it; '' = none. */
  channel: field(lineSchema(80), { label: 'Monitor channel' }),
});
export type Circuit = z.infer<typeof circuitSchema>;

export const deviceKinds = [
  'transfer-switch',
  'generator-inlet',
  'existing-solar',
  'car-charging',
  'storage',
  'solar-disconnect',
  'storage-disconnect',
  'emergency-disconnect',
  'other',
] as const;
export type DeviceKind = (typeof deviceKinds)[number];

export const deviceLabels: Readonly<Record<DeviceKind, string>> = {
  'transfer-switch': 'Transfer switch',
  'generator-inlet': 'Generator inlet',
  'existing-solar': 'Existing solar',
  'car-charging': 'Car charging',
  storage: 'Storage',
  'solar-disconnect': 'Disconnect for solar',
  'storage-disconnect': 'Disconnect for storage',
  'emergency-disconnect': 'Emergency disconnect',
  other: 'Other',
};

export const maxDevices = 8;

/** Something that sits between a panel and what feeds it. */
export const deviceSchema = z.strictObject({
  id: idSchema,
  kind: field(z.enum(deviceKinds, { error: 'Choose what it is' }), {
    label: 'What',
    choices: deviceKinds.map((kind) => [kind, deviceLabels[kind]]),
  }),
  ratingA: field(ratingSchema.nullable(), { label: 'Rating', unit: 'A' }),
  /** On a meter and tariff of its own. */
  ownMeter: yesNo,
  place: field(lineSchema(80), { label: 'Where' }),
  note: lineSchema(120),
});
export type Device = z.infer<typeof deviceSchema>;

export const serviceSchema = z.strictObject({
  id: idSchema,
  name: field(nameSchema(60), { label: 'Name' }),
  ratingA: field(ratingSchema.nullable(), { label: 'Rating', unit: 'A' }),
  meter: field(lineSchema(60), { label: 'Meter' }),
  /** One of the job's tariffs; null = not said. */
  tariffId: idSchema.nullable(),
  /** Available fault current at the service. */
  faultCurrentA: field(amountSchema(100, 200_000, 'A').nullable(), {
    label: 'Available fault current',
    unit: 'A',
    hint: 'ask the utility',
  }),
  /** Breaker at the service, ahead of every panel; null = none. */
  mainBreakerA: field(ratingSchema.nullable(), {
    label: 'Breaker ahead of the panels',
    unit: 'A',
    hint: 'empty: none; each panel has its own main',
  }),
});
export type Service = z.infer<typeof serviceSchema>;

export const fedFromSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('service'), serviceId: idSchema }),
  z.strictObject({ kind: z.literal('circuit'), circuitId: idSchema }),
  /** Through the feed-through lugs of another panel. */
  z.strictObject({ kind: z.literal('lugs'), panelId: idSchema }),
  z.strictObject({ kind: z.literal('unknown') }),
]);
export type FedFrom = z.infer<typeof fedFromSchema>;

/** How spaces are numbered: odd left and even right, down one column after the other, or one row. */
export const panelLayouts = ['odd-even', 'down-columns', 'one-row'] as const;

export const panelSchema = z.strictObject({
  id: idSchema,
  name: field(nameSchema(60), { label: 'Name' }),
  place: field(lineSchema(80), { label: 'Where it hangs' }),
  fedFrom: fedFromSchema,
  feeder: z.strictObject({
    /** Breaker ahead of the panel that is not one of another panel's: at the meter, in a disconnect. */
    breakerA: field(ratingSchema.nullable(), {
      label: 'Breaker ahead of it',
      unit: 'A',
      hint: 'one that is in no other panel',
    }),
    conductor: conductorSchema.nullable(),
    lengthM: field(amountSchema(0.1, 500, 'm').nullable(), { label: 'Length', unit: 'm' }),
  }),
  between: z.array(deviceSchema).max(maxDevices, `Use at most ${maxDevices} devices`),
  busRatingA: field(ratingSchema.nullable(), { label: 'Bus rating', unit: 'A' }),
  /** null = lugs only. */
  mainBreakerA: field(ratingSchema.nullable(), {
    label: 'Main breaker',
    unit: 'A',
    hint: 'empty: lugs only',
  }),
  spaces: field(countSchema(1, 84), { label: 'Spaces', unit: 'count' }),
  layout: field(z.enum(panelLayouts, { error: `Choose one of: ${panelLayouts.join(', ')}` }), {
    label: 'Numbering',
    choices: [
      ['odd-even', 'Odd left, even right'],
      ['down-columns', 'Down one column, then the other'],
      ['one-row', 'One row'],
    ],
  }),
  /** Leg of the first space. */
  topLeg: field(z.enum(['L1', 'L2', 'L3'], { error: 'Choose L1, L2 or L3' }), {
    label: 'Leg of the first space',
  }),
  family: field(lineSchema(40), { label: 'Listed for breakers of family' }),
  /** False: its circuits were made from the loads, and nobody has looked; legs are guesses then. */
  surveyed: field(yesNo.clone(), {
    label: 'Its circuits',
    choices: [
      [true, 'Read off the panel'],
      [false, 'Made from the loads'],
    ],
  }),
  /** Are neutral and earth bonded here? null = nobody has looked. */
  bonded: field(yesNo.nullable(), {
    label: `Neutral and ${placeWord('earth')}`,
    choices: [
      [null, 'Not looked at yet'],
      [true, 'Bonded here'],
      [false, 'Separate'],
    ],
  }),
  /** Is its busbar fed in the middle? null = at an end, as is usual. */
  centreFed: field(yesNo.nullable(), {
    label: 'Busbar fed',
    choices: [
      [null, 'at one end, as is usual'],
      [false, 'at one end'],
      [true, 'in the middle'],
    ],
  }),
  /** Lugs at the end of its busbar that feed something on; null = nobody has looked, and none are taken for granted. */
  feedThrough: field(
    z.enum(['none', 'breaker', 'open'], { error: 'Choose none, breaker or open' }).nullable(),
    {
      label: 'Feed-through lugs',
      choices: [
        [null, 'Not looked at yet'],
        ['none', 'none'],
        ['breaker', 'a breaker where their conductors begin'],
        ['open', 'no device where their conductors begin'],
      ],
    },
  ),
  circuits: z.array(circuitSchema).max(168, 'A panel holds at most 168 breakers'),
});
export type Panel = z.infer<typeof panelSchema>;

/** What a circuit monitor measures. */
export const monitorScopes = ['all', 'circuits', 'mains'] as const;

export const surveySchema = z.strictObject({
  services: z.array(serviceSchema).max(8, 'Use at most 8 services'),
  panels: z.array(panelSchema).max(24, 'Use at most 24 panels'),
  /** The circuit that feeds the circuit monitor itself; null = not known. */
  monitorCircuitId: field(idSchema.nullable(), { label: 'The monitor itself is fed by' }),
  /** Channels of one circuit monitor; null = not known. */
  monitorChannels: field(countSchema(1, 256).nullable(), {
    label: 'Channels of one monitor',
    unit: 'count',
  }),
  monitorScope: field(z.enum(monitorScopes, { error: `Choose one of: ${monitorScopes.join(', ')}` }), {
    label: 'Measured',
    choices: [
      ['all', 'every circuit, and the mains'],
      ['circuits', 'every circuit; their sum is the main'],
      ['mains', 'mains and feeders only'],
    ],
  }),
});
export type Survey = z.infer<typeof surveySchema>;

export const emptySurvey = (): Survey => ({
  services: [],
  panels: [],
  monitorCircuitId: null,
  monitorChannels: null,
  monitorScope: 'all',
});
