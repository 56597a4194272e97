import * as z from 'zod';
import { amountSchema, countSchema, idSchema, lineSchema, nameSchema } from '../../base/index.js';
import { legSetSchema } from '../../electric/index.js';

const share = amountSchema(0, 1);
const clockHour = countSchema(0, 23);

/** A point of the line of hills, roofs and trees that an array sees. */
const horizonPointSchema = z.strictObject({
  /** Clockwise from north. */
  azimuthDeg: amountSchema(0, 360, '°'),
  elevationDeg: amountSchema(0, 90, '°'),
});

export const maxArrays = 12;

/** A solar array with the inverter behind it. */
export const solarArraySchema = z.strictObject({
  id: idSchema,
  name: nameSchema(60),
  /** Direct-current power under standard test conditions. */
  ratedW: amountSchema(100, 200_000, 'W'),
  tiltDeg: amountSchema(0, 90, '°'),
  /** Direction it faces, clockwise from north. */
  facingDeg: amountSchema(0, 360, '°'),
  /** AC: an inverter of its own, on the house side of the isolating device. DC: at the battery's own inverter. */
  coupling: z.enum(['ac', 'dc'], { error: 'Choose ac or dc' }),
  /** Power at which its inverter clips; null = a sixth less than the array. */
  inverterW: amountSchema(100, 200_000, 'W').nullable(),
  legs: legSetSchema,
  /** All losses of the array together; null = the usual ones. */
  loss: amountSchema(0, 0.9).nullable(),
  horizon: z.array(horizonPointSchema).max(36, 'Use at most 36 points'),
  /** Share of the beam that is shaded away in each clock hour of standard time; null = none but the horizon. */
  shadeByHour: z.array(share).length(24, 'Give 24 shares, one for each hour').nullable(),
});
export type SolarArray = z.infer<typeof solarArraySchema>;

export const generatorSchema = z.strictObject({
  powerW: amountSchema(300, 100_000, 'W'),
  /** "auto": two-wire start by state of charge. "hand": somebody comes, connects it at the inlet and starts it. */
  start: z.enum(['auto', 'hand'], { error: 'Choose auto or hand' }),
  /** Until somebody is there; counts with "hand" only. */
  comesAfterMin: amountSchema(0, 2880, 'min'),
  startBelow: share,
  stopAbove: share,
  warmUpMin: amountSchema(0, 60, 'min'),
  /** What the charger takes from it for the battery at most. */
  chargerW: amountSchema(0, 100_000, 'W'),
  /** Fuel on site; null = a gas line. */
  fuelL: amountSchema(0, 10_000, 'l').nullable(),
  /** Litres (or the like) an hour while it idles, and at full power; between the two straight. */
  idleLPerH: amountSchema(0, 100, 'l/h'),
  fullLPerH: amountSchema(0.05, 200, 'l/h'),
  /** Clock hours in which it is not run; null = none. */
  quiet: z.strictObject({ fromH: clockHour, toH: clockHour }).nullable(),
  /** Solar with inverters of its own is kept off while it runs. */
  locksSolarOut: z.boolean({ error: 'Say yes or no' }),
});
export type Generator = z.infer<typeof generatorSchema>;

export const vehicleSchema = z.strictObject({
  /** "sink" takes sun that nothing else takes; "source" feeds the house when the battery is low. */
  role: z.enum(['sink', 'source'], { error: 'Choose sink or source' }),
  powerW: amountSchema(300, 50_000, 'W'),
  energyWh: amountSchema(1000, 300_000, 'Wh'),
  /** Share of its energy it has when the outage starts, and what it keeps for driving. */
  startCharge: share,
  keeps: share,
  /** State of charge of the house battery below which it feeds. */
  feedsBelow: share,
});
export type Vehicle = z.infer<typeof vehicleSchema>;

/** What an outage meets: weather, sun, generator, vehicle, household. null = a stated default. */
export const scenarioSchema = z.strictObject({
  /** Id of a typical climate; null = the one nearest in latitude. */
  climateId: idSchema.nullable(),
  /** Id of a year of weather that was read from a file; counts before the climate. */
  weatherId: idSchema.nullable(),
  /** Chooses the synthetic year and when loads switch. */
  seed: countSchema(1, 99_999),
  arrays: z.array(solarArraySchema).max(maxArrays, `Use at most ${maxArrays} arrays`),
  generator: generatorSchema.nullable(),
  vehicle: vehicleSchema.nullable(),
  household: z.enum(['usual', 'saving'], { error: 'Choose usual or saving' }),
  /** Share of the usable energy that is there when the outage starts. */
  startCharge: amountSchema(0.02, 1).nullable(),
  /** Share of the usable energy at which the house is let go dark, so that the system can start again. */
  keptForRestart: amountSchema(0, 0.5).nullable(),
  /** How far above its threshold a shed circuit comes back. */
  restoreAbove: amountSchema(0.01, 0.5).nullable(),
  /** Where the battery stands decides how cold it gets. */
  batteryPlace: z
    .enum(['as-said', 'unheated', 'outdoors'], { error: 'Choose as-said, unheated or outdoors' })
    .nullable(),
  /** Until somebody resets a locked-out inverter; counts for a hands-on household. */
  resetAfterMin: amountSchema(1, 2880, 'min').nullable(),
  /** What changes cost, by the name of the change, in the user's money. */
  costs: z
    .array(z.strictObject({ change: lineSchema(80), cost: amountSchema(0, 1_000_000) }))
    .max(200, 'Use at most 200 costs'),
});
export type Scenario = z.infer<typeof scenarioSchema>;

/** An outage about which nothing is said: no sun, no generator. */
export const emptyScenario = (): Scenario => ({
  climateId: null,
  weatherId: null,
  seed: 1,
  arrays: [],
  generator: null,
  vehicle: null,
  household: 'usual',
  startCharge: null,
  keptForRestart: null,
  restoreAbove: null,
  batteryPlace: null,
  resetAfterMin: null,
  costs: [],
});
