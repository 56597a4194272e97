import * as z from 'zod';
import { amountSchema, idSchema, nameSchema, noteSchema } from '../../base/index.js';
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

/** Something that will be added later. Counted in only when the household wants to size for it now. */
export const plannedAdditionSchema = z.strictObject({
  id: idSchema,
  name: nameSchema(80),
  runningPowerW: amountSchema(0, 50_000, 'W'),
  energyWhPerDay: amountSchema(0, 200_000, 'Wh'),
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
  requiredRuntimeH: amountSchema(0.5, 720, 'h').nullable(),
  designSeason: z.enum(seasons, { error: `Choose one of: ${seasons.join(', ')}` }).nullable(),
  sizeForYear: amountSchema(0, 25, 'years').nullable(),
  /** Share of the nameplate an outage may use. */
  outageDepth: amountSchema(0.1, 1).nullable(),
  /** Share of the nameplate used day by day. */
  dailyDepth: amountSchema(0.1, 1).nullable(),
  /** Temperature of the battery in the design season. */
  batteryTemperatureC: amountSchema(-30, 60, '°C').nullable(),
  transferGapToleranceMs: amountSchema(0, 3_600_000, 'ms').nullable(),
  /** Will somebody walk to the panel and switch things off? */
  handsOn: z.boolean({ error: 'Say yes or no' }).nullable(),
  powerBasis: z.enum(powerBases, { error: `Choose one of: ${powerBases.join(', ')}` }).nullable(),
  /** Weather to get through. */
  outageWeather: z.enum(outageWeathers, { error: `Choose one of: ${outageWeathers.join(', ')}` }).nullable(),
  /** Solar energy of a usual day in the design season that the house does not use at once. */
  surplusSolarWhPerDay: amountSchema(0, 500_000, 'Wh').nullable(),
  plannedAdditions: z.array(plannedAdditionSchema).max(30, 'Use at most 30 planned additions'),
  notes: noteSchema(),
});
export type Brief = z.infer<typeof briefSchema>;
