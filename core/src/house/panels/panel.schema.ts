import * as z from 'zod';
import { amountSchema, countSchema, idSchema, lineSchema, nameSchema } from '../../base/index.js';
import { conductorSchema } from '../../electric/index.js';

const ratingSchema = amountSchema(1, 1200, 'A');
const yesNo = z.boolean({ error: 'Say yes or no' });

export const protections = ['standard', 'afci', 'gfci', 'afci-gfci', 'rcd', 'rcbo', 'afdd'] as const;
export type Protection = (typeof protections)[number];

export const slotUses = ['circuit', 'spare'] as const;

/** A breaker in a panel, and what it feeds. Spaces without a breaker are blanks. */
export const circuitSchema = z.strictObject({
  id: idSchema,
  name: lineSchema(80),
  /** A spare is a breaker that feeds nothing. */
  use: z.enum(slotUses, { error: 'Choose circuit or spare' }),
  /** Numbers of the spaces it takes, one for each pole. */
  spaces: z
    .array(countSchema(1, 84))
    .min(1, 'A breaker takes a space')
    .max(3, 'A breaker has at most three poles'),
  /** Upper (a) or lower (b) half of a space, for tandem breakers. */
  half: z.enum(['a', 'b'], { error: 'Choose half a or b' }).nullable(),
  ratingA: ratingSchema.nullable(),
  protection: z.enum(protections, { error: `Choose one of: ${protections.join(', ')}` }),
  /** Family of the breaker; '' = the one its panel is listed for. */
  family: lineSchema(40),
  conductor: conductorSchema.nullable(),
  /** Does a neutral run with it? null = assumed from what hangs on it. */
  neutral: yesNo.nullable(),
  /** Circuits of a panel with the same mark share one neutral; '' = a neutral of its own. */
  neutralGroup: lineSchema(12),
  handleTie: yesNo,
  /** Something behind it can feed back: solar, battery, generator. */
  backFeeds: yesNo,
  /** Name of the channel of a circuit monitor that measures it; '' = none. */
  channel: lineSchema(80),
});
export type Circuit = z.infer<typeof circuitSchema>;

export const deviceKinds = [
  'transfer-switch',
  'generator-inlet',
  'existing-solar',
  'car-charging',
  'storage',
  'other',
] as const;
export type DeviceKind = (typeof deviceKinds)[number];

export const maxDevices = 8;

/** Something that sits between a panel and what feeds it. */
export const deviceSchema = z.strictObject({
  id: idSchema,
  kind: z.enum(deviceKinds, { error: 'Choose what it is' }),
  ratingA: ratingSchema.nullable(),
  /** On a meter and tariff of its own. */
  ownMeter: yesNo,
  note: lineSchema(120),
});
export type Device = z.infer<typeof deviceSchema>;

export const serviceSchema = z.strictObject({
  id: idSchema,
  name: nameSchema(60),
  ratingA: ratingSchema.nullable(),
  meter: lineSchema(60),
  tariff: lineSchema(60),
  /** Available fault current at the service. */
  faultCurrentA: amountSchema(100, 200_000, 'A').nullable(),
  /** Breaker at the service, ahead of every panel; null = none. */
  mainBreakerA: ratingSchema.nullable(),
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
export type PanelLayout = (typeof panelLayouts)[number];

export const panelSchema = z.strictObject({
  id: idSchema,
  name: nameSchema(60),
  place: lineSchema(80),
  fedFrom: fedFromSchema,
  feeder: z.strictObject({
    /** Breaker ahead of the panel that is not one of another panel's: at the meter, in a disconnect. */
    breakerA: ratingSchema.nullable(),
    conductor: conductorSchema.nullable(),
    lengthM: amountSchema(0.1, 500, 'm').nullable(),
  }),
  between: z.array(deviceSchema).max(maxDevices, `Use at most ${maxDevices} devices`),
  busRatingA: ratingSchema.nullable(),
  /** null = lugs only. */
  mainBreakerA: ratingSchema.nullable(),
  spaces: countSchema(1, 84),
  layout: z.enum(panelLayouts, { error: `Choose one of: ${panelLayouts.join(', ')}` }),
  /** Leg of the first space. */
  topLeg: z.enum(['L1', 'L2', 'L3'], { error: 'Choose L1, L2 or L3' }),
  family: lineSchema(40),
  /** Are neutral and earth bonded here? null = nobody has looked. */
  bonded: yesNo.nullable(),
  circuits: z.array(circuitSchema).max(168, 'A panel holds at most 168 breakers'),
});
export type Panel = z.infer<typeof panelSchema>;

export const surveySchema = z.strictObject({
  services: z.array(serviceSchema).max(8, 'Use at most 8 services'),
  panels: z.array(panelSchema).max(24, 'Use at most 24 panels'),
  /** The circuit that feeds the circuit monitor itself; null = not known. */
  monitorCircuitId: idSchema.nullable(),
});
export type Survey = z.infer<typeof surveySchema>;

export const emptySurvey = (): Survey => ({ services: [], panels: [], monitorCircuitId: null });
