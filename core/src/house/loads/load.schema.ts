import * as z from 'zod';
import { amountSchema, countSchema, idSchema, lineSchema, nameSchema } from '../../base/index.js';
import { codeLetters, legSetSchema } from '../../electric/index.js';
import { loadKinds } from './load-kinds.js';

export const dayParts = ['night', 'morning', 'day', 'evening'] as const;
export type DayPart = (typeof dayParts)[number];

export const tiers = ['must', 'should', 'may', 'never'] as const;
export type Tier = (typeof tiers)[number];

export const bases = ['typical', 'nameplate', 'measured', 'user'] as const;
export type Basis = (typeof bases)[number];

/** Hours of use in each part of the day (night 22–6, morning 6–10, day 10–16, evening 16–22). */
export const hoursOfUseSchema = z.strictObject({
  nightH: amountSchema(0, 8, 'h'),
  morningH: amountSchema(0, 4, 'h'),
  dayH: amountSchema(0, 6, 'h'),
  eveningH: amountSchema(0, 6, 'h'),
});
export type HoursOfUse = z.infer<typeof hoursOfUseSchema>;

const durationS = amountSchema(0.01, 60, 's');

/** How a load starts. Every way but "none" says how long the start lasts. */
export const startSchema = z.discriminatedUnion('how', [
  z.strictObject({ how: z.literal('none') }),
  z.strictObject({
    how: z.literal('multiple'),
    /** Starting apparent power over running apparent power. */
    multiple: amountSchema(1, 15),
    durationS,
  }),
  z.strictObject({
    how: z.literal('lockedRotor'),
    lockedRotorA: amountSchema(0.1, 1000, 'A'),
    durationS,
  }),
  z.strictObject({
    how: z.literal('codeLetter'),
    letter: z.enum(codeLetters, { error: `Choose a code letter: ${codeLetters.join(' ')}` }),
    horsepower: amountSchema(0.05, 100, 'hp'),
    durationS,
  }),
  z.strictObject({
    how: z.literal('fullLoad'),
    horsepower: amountSchema(1 / 6, 10, 'hp'),
    /** Starting current over the full-load current of NEC Table 430.248. */
    multiple: amountSchema(1, 15),
    durationS,
  }),
  z.strictObject({
    how: z.literal('soft'),
    /** Highest apparent power while ramping over running apparent power. */
    multiple: amountSchema(1, 4),
    durationS,
  }),
]);
export type Start = z.infer<typeof startSchema>;

export const loadSchema = z.strictObject({
  id: idSchema,
  name: nameSchema(80),
  kind: z.enum(loadKinds, { error: 'Choose a kind of load from the list' }),
  quantity: countSchema(1, 200),
  legs: legSetSchema,
  /** True until somebody has said which leg it is really on. */
  legsAssumed: z.boolean({ error: 'Say yes or no' }),
  /** Nameplate voltage; null = the supply's voltage on its legs. */
  voltageV: amountSchema(100, 480, 'V').nullable(),
  /** Of one piece, while it runs. */
  runningPowerW: amountSchema(0, 50_000, 'W'),
  powerFactor: amountSchema(0.1, 1),
  start: startSchema,
  /** Share of the hours of use in which it actually runs. */
  dutyCycle: amountSchema(0, 1),
  use: z.strictObject({
    winter: hoursOfUseSchema,
    shoulder: hoursOfUseSchema,
    summer: hoursOfUseSchema,
  }),
  tier: z.enum(tiers, { error: `Choose one of: ${tiers.join(', ')}` }),
  /** Where its figures come from. */
  basis: z.enum(bases, { error: `Choose one of: ${bases.join(', ')}` }),
  /** The circuit it hangs on; null = not placed yet. */
  circuitId: idSchema.nullable(),
  /** Day on which its figures were measured; null = never. */
  measuredOn: z.iso.date('Write the day as 2026-02-28').nullable(),
  /** How often it starts in an hour of use; null = as usual for its kind. */
  cyclesPerHour: amountSchema(0.01, 120, 'times an hour').nullable(),
  /** How long it waits after power returns; null = as usual for its kind. */
  restartDelayS: amountSchema(0, 3600, 's').nullable(),
  note: lineSchema(300),
});
export type Load = z.infer<typeof loadSchema>;
