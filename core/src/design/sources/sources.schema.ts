import * as z from 'zod';
import {
  amountSchema,
  countSchema,
  field,
  idSchema,
  lineSchema,
  moneySchema,
  nameSchema,
} from '../../base/index.js';
import { legSetSchema } from '../../electric/index.js';

const share = () => amountSchema(0, 1);
const clockHour = () => countSchema(0, 23);
/** The circuit it hangs on, and so the island it feeds; null = nobody has said: the first island. */
const circuitId = () => field(idSchema.nullable(), { label: 'On circuit' });

/** Is it there already? */
const existing = (label: string) =>
  field(z.boolean({ error: 'Say yes or no' }), {
    label,
    choices: [
      [true, 'there already'],
      [false, 'new'],
    ],
  });

/** A point of the line of hills, roofs and trees that an array sees. */
const horizonPointSchema = z.strictObject({
  /** Clockwise from north. */
  azimuthDeg: amountSchema(0, 360, '°'),
  elevationDeg: amountSchema(0, 90, '°'),
});

export const maxArrays = 12;

/** What an array is made of. */
export const modulesSchema = z.strictObject({
  count: field(countSchema(1, 400), { label: 'Modules', unit: 'count' }),
  eachW: field(amountSchema(10, 1000, 'W'), { label: 'Each', unit: 'W' }),
  /** One inverter for strings of them, or a small one at each. */
  inverters: field(z.enum(['string', 'module'], { error: 'Choose string or module' }), {
    label: 'Inverters',
    choices: [
      ['string', 'one for strings'],
      ['module', 'one at each module'],
    ],
  }),
});
export type Modules = z.infer<typeof modulesSchema>;

/** A solar array with the inverter behind it. */
export const solarArraySchema = z.strictObject({
  id: idSchema,
  circuitId: circuitId(),
  name: field(nameSchema(60), { label: 'Array' }),
  /** It belongs to the house, whatever is designed: every design has it, and none pays for it. */
  existing: existing('Array is'),
  /** Further circuits it comes down on, as modules with small inverters do; each carries its share. */
  moreCircuits: z.array(z.strictObject({ circuitId: idSchema })).max(11, 'Use at most 12 circuits'),
  /** Direct-current power under standard test conditions. */
  ratedW: field(amountSchema(100, 200_000, 'W'), { label: 'Power of the modules', unit: 'W' }),
  /** Where they have been counted, their power together is that of the array; null = nobody has. */
  modules: modulesSchema.nullable(),
  tiltDeg: field(amountSchema(0, 90, '°'), { label: 'Tilt', unit: 'deg' }),
  /** Direction it faces, clockwise from north. */
  facingDeg: field(amountSchema(0, 360, '°'), {
    label: 'Faces',
    unit: 'deg',
    hint: '0 north, 90 east, 180 south',
  }),
  /** AC: an inverter of its own, on the house side of the isolating device. DC: at the battery's own inverter. */
  coupling: field(z.enum(['ac', 'dc'], { error: 'Choose ac or dc' }), {
    label: 'Coupling',
    choices: [
      ['ac', 'AC, own inverter'],
      ['dc', 'DC, battery inverter'],
    ],
  }),
  /** Power at which its inverter clips; null = a sixth less than the array. */
  inverterW: field(amountSchema(100, 200_000, 'W').nullable(), { label: 'Its inverter', unit: 'W' }),
  legs: field(legSetSchema.clone(), { label: 'Legs' }),
  /** All losses of the array together; null = the usual ones. */
  loss: field(amountSchema(0, 0.9).nullable(), { label: 'Losses', unit: 'share' }),
  horizon: z.array(horizonPointSchema).max(36, 'Use at most 36 points'),
  /** Its own inverter waits so long once it has a grid; null = as usual, see {@link usualReturnMin}. */
  returnsAfterMin: field(amountSchema(0, 60, 'min').nullable(), { label: 'Feeds after', unit: 'min' }),
  /** Share of the beam that is shaded away in each clock hour of standard time; null = none but the horizon. */
  shadeByHour: z.array(share()).length(24, 'Give 24 shares, one for each hour').nullable(),
});
export type SolarArray = z.infer<typeof solarArraySchema>;

export const generatorSchema = z.strictObject({
  id: idSchema,
  circuitId: circuitId(),
  existing: existing('Generator is'),
  powerW: field(amountSchema(300, 100_000, 'W'), { label: 'Power', unit: 'W' }),
  /**
   * "beside": in parallel with the inverter, both feed the house. "through": it feeds the house alone, through the inverter's
   * input or a transfer switch, and charges. "charger": it feeds a charger of the battery and nothing else.
   */
  connection: field(
    z.enum(['beside', 'through', 'charger'], { error: 'Choose beside, through or charger' }),
    {
      label: 'Connected',
      choices: [
        ['beside', 'in parallel with the inverter'],
        ['through', 'feeds the house alone, and charges'],
        ['charger', 'to a charger only'],
      ],
    },
  ),
  /** Legs it feeds; null = all of them alike. */
  legs: field(legSetSchema.nullable(), { label: 'On legs' }),
  /** "auto": two-wire start by state of charge. "hand": somebody comes, connects it at the inlet and starts it. */
  start: field(z.enum(['auto', 'hand'], { error: 'Choose auto or hand' }), {
    label: 'Starts',
    choices: [
      ['auto', 'by itself, two-wire'],
      ['hand', 'by hand at an inlet'],
    ],
  }),
  /** Until somebody is there; counts with "hand" only. */
  comesAfterMin: field(amountSchema(0, 2880, 'min'), { label: 'Until somebody comes', unit: 'min' }),
  startBelow: field(share(), { label: 'Starts below', unit: 'share' }),
  stopAbove: field(share(), { label: 'Stops above', unit: 'share' }),
  warmUpMin: field(amountSchema(0, 60, 'min'), { label: 'Warms up', unit: 'min' }),
  /** What the charger takes from it for the battery at most. */
  chargerW: field(amountSchema(0, 100_000, 'W'), { label: 'For the battery at most', unit: 'W' }),
  /** Fuel on site; null = a gas line. */
  fuelL: field(amountSchema(0, 10_000, 'l').nullable(), {
    label: 'Fuel on site',
    unit: 'l',
    hint: 'Empty: a gas line',
  }),
  /** Litres (or the like) an hour while it idles, and at full power; between the two straight. */
  idleLPerH: field(amountSchema(0, 100, 'l/h'), { label: 'Burns idling', unit: 'l/h' }),
  fullLPerH: field(amountSchema(0.05, 200, 'l/h'), { label: 'Burns at full power', unit: 'l/h' }),
  /** Clock hours in which it is not run; null = none. */
  quiet: z.strictObject({ fromH: clockHour(), toH: clockHour() }).nullable(),
  /** Solar with inverters of its own is kept off while it runs. */
  locksSolarOut: z.boolean({ error: 'Say yes or no' }),
  /** Circuits that whoever starts it switches off for as long as it runs. */
  offWhileItRuns: z.array(z.strictObject({ circuitId: idSchema })).max(168, 'Use at most 168 circuits'),
});
export type Generator = z.infer<typeof generatorSchema>;

export const vehicleSchema = z.strictObject({
  id: idSchema,
  circuitId: circuitId(),
  /** "sink" takes sun that nothing else takes; "source" feeds the house when the battery is low. */
  role: field(z.enum(['sink', 'source'], { error: 'Choose sink or source' }), {
    label: 'It is',
    choices: [
      ['source', 'a source'],
      ['sink', 'a sink for spare sun'],
    ],
  }),
  powerW: field(amountSchema(300, 50_000, 'W'), { label: 'Power', unit: 'W' }),
  energyWh: field(amountSchema(1000, 300_000, 'Wh'), { label: 'Its battery', unit: 'kWh' }),
  /** Share of its energy it has when the outage starts, and what it keeps for driving. */
  startCharge: field(share(), { label: 'Charged at the start', unit: 'share' }),
  keeps: field(share(), { label: 'Keeps for driving', unit: 'share' }),
  /** State of charge of the house battery below which it feeds. */
  feedsBelow: field(share(), { label: 'Feeds below a charge of', unit: 'share' }),
});
export type Vehicle = z.infer<typeof vehicleSchema>;

/** What feeds a house beside grid and battery, and what changes to it would cost. */
export const sourcesSchema = z.strictObject({
  arrays: z.array(solarArraySchema).max(maxArrays, `Use at most ${maxArrays} arrays`),
  generator: generatorSchema.nullable(),
  vehicle: vehicleSchema.nullable(),
  /** What changes cost, by the name of the change. */
  costs: z
    .array(z.strictObject({ id: idSchema, change: lineSchema(80), cost: moneySchema }))
    .max(200, 'Use at most 200 costs'),
});
export type Sources = z.infer<typeof sourcesSchema>;

/** No sun, no generator, no vehicle. */
export const emptySources = (): Sources => ({ arrays: [], generator: null, vehicle: null, costs: [] });
