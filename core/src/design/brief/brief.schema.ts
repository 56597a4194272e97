import * as z from 'zod';
import { amountSchema, decimalSchema, field, idSchema, nameSchema, noteSchema } from '../../base/index.js';
import { seasons } from '../../nature/index.js';

export const goalWeights = ['decides', 'counts', 'none'] as const;
/** "decides": the size must meet it; "counts": shown how far it is met; "none": left out. */
const goalWeightSchema = z.enum(goalWeights, {
  error: `Choose one of: ${goalWeights.join(', ')}`,
});
export type GoalWeight = z.infer<typeof goalWeightSchema>;

export const powerBases = ['coincident', 'all-at-once'] as const;
export type PowerBasis = (typeof powerBases)[number];

/** "no-sun": none is counted; "hard": 19 of 20 outages of the season are got through; "usual": half of them. */
export const outageWeathers = ['no-sun', 'hard', 'usual'] as const;
export type OutageWeather = (typeof outageWeathers)[number];

export const additionKinds = ['load', 'inverter', 'battery', 'array', 'generator'] as const;
export type AdditionKind = (typeof additionKinds)[number];

/** Something that will be added later. Counted in only when the household wants to size for it now. */
export const plannedAdditionSchema = z.strictObject({
  id: idSchema,
  name: field(nameSchema(80), { label: 'Addition' }),
  kind: field(z.enum(additionKinds, { error: 'Choose what comes' }), {
    label: 'What comes',
    choices: [
      ['load', 'A load'],
      ['inverter', 'Another inverter'],
      ['battery', 'More battery'],
      ['array', 'A solar array'],
      ['generator', 'A generator'],
    ],
  }),
  runningPowerW: field(amountSchema(0, 50_000, 'W'), { label: 'Power', unit: 'W' }),
  /** Of a load: what it takes a day. Of a battery: what it holds. Of the others nothing. */
  energyWhPerDay: field(amountSchema(0, 200_000, 'Wh'), { label: 'Energy a day', unit: 'kWh' }),
  countIn: z.boolean({ error: 'Say yes or no' }),
});
export type PlannedAddition = z.infer<typeof plannedAdditionSchema>;

/** What the household wants. null means nobody has said yet: a stated default is used and shown as assumed. */
export const briefSchema = z.strictObject({
  goals: z.strictObject({
    outage: goalWeightSchema,
    ownSolar: goalWeightSchema,
    peakPrice: goalWeightSchema,
  }),
  requiredRuntimeH: field(amountSchema(0.5, 720, 'h').nullable(), { label: 'Required runtime', unit: 'h' }),
  designSeason: field(z.enum(seasons, { error: `Choose one of: ${seasons.join(', ')}` }).nullable(), {
    label: 'Design season',
    choices: [
      ['winter', 'Winter'],
      ['shoulder', 'Spring or autumn'],
      ['summer', 'Summer'],
    ],
  }),
  sizeForYear: field(amountSchema(0, 25, 'years').nullable(), {
    label: 'Year of life to size for',
    unit: 'yr',
  }),
  /** Share of the nameplate an outage may use. */
  outageDepth: field(amountSchema(0.1, 1).nullable(), { label: 'Depth allowed in an outage', unit: 'share' }),
  /** Share of the nameplate used day by day. */
  dailyDepth: field(amountSchema(0.1, 1).nullable(), { label: 'Depth used day by day', unit: 'share' }),
  /** Temperature of the battery in the design season. */
  batteryTemperatureC: field(amountSchema(-30, 60, '°C').nullable(), {
    label: 'Battery temperature then',
    unit: '°C',
    hint: 'in a simulated outage it counts until the units are put up in Placement',
  }),
  transferGapToleranceMs: field(amountSchema(0, 3_600_000, 'ms').nullable(), {
    label: 'Transfer gap the household tolerates',
  }),
  /** Will somebody walk to the panel and switch things off? */
  handsOn: field(z.boolean({ error: 'Say yes or no' }).nullable(), {
    label: 'In an outage',
    choices: [
      [true, 'Somebody switches things off'],
      [false, 'Nobody may be home'],
    ],
  }),
  powerBasis: field(z.enum(powerBases, { error: `Choose one of: ${powerBases.join(', ')}` }).nullable(), {
    label: 'Running power to carry',
    hint: 'Practitioners differ; both are shown in Sources',
    choices: [
      ['coincident', 'As loads cycle'],
      ['all-at-once', 'Everything at once'],
    ],
  }),
  /** Weather to get through. */
  outageWeather: field(
    z.enum(outageWeathers, { error: `Choose one of: ${outageWeathers.join(', ')}` }).nullable(),
    {
      label: 'Weather to get through',
      hint: 'Of so many outages it is got through. Sun and generator: Outage, Conditions',
      choices: [
        ['no-sun', 'No sun at all'],
        ['hard', 'A hard spell (19 of 20)'],
        ['usual', 'Usual weather (half)'],
      ],
    },
  ),
  /** Solar energy of a usual day in the design season that the house does not use at once. */
  surplusSolarWhPerDay: field(amountSchema(0, 500_000, 'Wh').nullable(), {
    label: 'Surplus solar on a usual day of that season',
    unit: 'kWh',
    hint: 'What the array makes and the house does not use at once',
  }),
  /** What a design may not have, or cost: Options looks no further. */
  noGenerator: field(z.boolean({ error: 'Say yes or no' }), {
    label: 'Generator',
    choices: [
      [false, 'may be part of it'],
      [true, 'not wanted'],
    ],
  }),
  mostCost: field(decimalSchema.nullable(), {
    label: 'May cost at most',
    money: true,
    hint: 'after incentives, in the currency of the price list; empty: no limit',
  }),
  plannedAdditions: z.array(plannedAdditionSchema).max(30, 'Use at most 30 planned additions'),
  notes: field(noteSchema(), { label: 'What was said and seen', rows: 5 }),
});
export type Brief = z.infer<typeof briefSchema>;
