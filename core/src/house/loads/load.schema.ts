import * as z from 'zod';
import {
  amountSchema,
  countSchema,
  field,
  type FieldFacts,
  idSchema,
  lineSchema,
  nameSchema,
} from '../../base/index.js';
import { codeLetters, legSetSchema } from '../../electric/index.js';
import { kindFacts, loadKinds } from './load-kinds.js';

export const dayParts = ['night', 'morning', 'day', 'evening'] as const;
export type DayPart = (typeof dayParts)[number];

export const tiers = ['must', 'should', 'may', 'never'] as const;
export type Tier = (typeof tiers)[number];

export const bases = ['typical', 'nameplate', 'measured', 'user', 'bills'] as const;
export type Basis = (typeof bases)[number];

/** Hours of use in each part of the day (night 22–6, morning 6–10, day 10–16, evening 16–22). */
export const hoursOfUseSchema = z.strictObject({
  nightH: field(amountSchema(0, 8, 'h'), { label: 'Night', unit: 'h' }),
  morningH: field(amountSchema(0, 4, 'h'), { label: 'Morning', unit: 'h' }),
  dayH: field(amountSchema(0, 6, 'h'), { label: 'Day', unit: 'h' }),
  eveningH: field(amountSchema(0, 6, 'h'), { label: 'Evening', unit: 'h' }),
});
export type HoursOfUse = z.infer<typeof hoursOfUseSchema>;

const durationS = field(amountSchema(0.01, 60, 's'), { label: 'Lasts', unit: 's' });
const horsepowerFacts: FieldFacts = { label: 'Horsepower', unit: 'hp' };
const multipleFacts: FieldFacts = { label: 'Multiple', unit: 'factor' };

/** How a load starts. Every way but "none" says how long the start lasts. */
export const startSchema = z.discriminatedUnion('how', [
  z.strictObject({ how: z.literal('none') }),
  z.strictObject({
    how: z.literal('multiple'),
    /** Starting apparent power over running apparent power. */
    multiple: field(amountSchema(1, 15), multipleFacts),
    durationS,
  }),
  z.strictObject({
    how: z.literal('lockedRotor'),
    lockedRotorA: field(amountSchema(0.1, 1000, 'A'), { label: 'Locked rotor', unit: 'A' }),
    durationS,
  }),
  z.strictObject({
    how: z.literal('codeLetter'),
    letter: field(z.enum(codeLetters, { error: `Choose a code letter: ${codeLetters.join(' ')}` }), {
      label: 'Code letter',
      choices: codeLetters.map((letter) => [letter, letter]),
    }),
    horsepower: field(amountSchema(0.05, 100, 'hp'), horsepowerFacts),
    durationS,
  }),
  z.strictObject({
    how: z.literal('fullLoad'),
    horsepower: field(amountSchema(1 / 6, 10, 'hp'), horsepowerFacts),
    /** Starting current over the full-load current of NEC Table 430.248 or 430.250. */
    multiple: field(amountSchema(1, 15), multipleFacts),
    durationS,
  }),
  z.strictObject({
    how: z.literal('soft'),
    /** Highest apparent power while ramping over running apparent power. */
    multiple: field(amountSchema(1, 4), multipleFacts),
    durationS,
  }),
]);
export type Start = z.infer<typeof startSchema>;

export const loadSchema = z.strictObject({
  id: idSchema,
  name: nameSchema(80),
  kind: field(z.enum(loadKinds, { error: 'Choose a kind of load from the list' }), {
    label: 'Kind',
    choices: loadKinds.map((kind) => [kind, kindFacts[kind].label]),
  }),
  quantity: countSchema(1, 200),
  legs: field(legSetSchema.clone(), { label: 'Legs' }),
  /** True until somebody has said which leg it is really on. */
  legsAssumed: z.boolean({ error: 'Say yes or no' }),
  /** Nameplate voltage; null = the supply's voltage on its legs. */
  voltageV: field(amountSchema(100, 480, 'V').nullable(), {
    label: 'Nameplate voltage',
    unit: 'V',
    hint: "empty: the supply's",
  }),
  /** Of one piece, while it runs. */
  runningPowerW: amountSchema(0, 50_000, 'W'),
  powerFactor: field(amountSchema(0.1, 1), { label: 'Power factor', unit: 'factor' }),
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
  basis: field(z.enum(bases, { error: `Choose one of: ${bases.join(', ')}` }), {
    label: 'Figures from',
    choices: [
      ['typical', 'Typical (library)'],
      ['nameplate', 'Nameplate'],
      ['measured', 'Measured'],
      ['user', 'Entered'],
      ['bills', 'What the bills leave over'],
    ],
  }),
  /** The circuit it hangs on; null = not placed yet. */
  circuitId: field(idSchema.nullable(), { label: 'Circuit' }),
  /** Day on which its figures were measured; null = never. */
  measuredOn: z.iso.date('Write the day as 2026-02-28').nullable(),
  /** How often it starts in an hour of use; null = as usual for its kind. */
  cyclesPerHour: field(amountSchema(0.01, 120, 'times an hour').nullable(), {
    label: 'Starts in an hour of use',
    unit: 'count',
  }),
  /** How long it waits after power returns; null = as usual for its kind. */
  restartDelayS: field(amountSchema(0, 3600, 's').nullable(), {
    label: 'Waits after power returns',
    unit: 's',
  }),
  /** On a day of storm it runs so many times as long; null = storms do not matter to it. */
  stormFactor: field(amountSchema(1, 50).nullable(), {
    label: 'In a storm runs times as long',
    unit: 'factor',
    hint: 'sump and drain pumps',
  }),
  /** It runs on spare sun only, on normal days too: no evening or night of the house counts it. */
  surplusOnly: field(z.boolean({ error: 'Say yes or no' }), {
    label: 'On normal days',
    choices: [
      [false, 'runs when it is wanted'],
      [true, 'takes spare sun only'],
    ],
  }),
  note: field(lineSchema(300), { label: 'Note' }),
});
export type Load = z.infer<typeof loadSchema>;
