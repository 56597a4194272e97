import * as z from 'zod';
import { amountSchema, countSchema, field } from '../../base/index.js';
import { supplySystems, supplySystemSchema, systemFacts } from '../../electric/index.js';

const power = (label: string, unit: 'W' | 'VA', hint?: string) =>
  field(amountSchema(50, 200_000, unit).nullable(), { label, unit, ...(hint === undefined ? {} : { hint }) });
const share = (label: string, least: number, most: number) =>
  field(amountSchema(least, most).nullable(), { label, unit: 'share' });

/** What an inverter feeds. Null is: the data sheet does not say. */
export const outputRatings = {
  systems: field(z.array(supplySystemSchema).min(1, 'Choose at least one supply').max(4), {
    label: 'Supplies',
    several: supplySystems.map((system) => [system, systemFacts[system].label] as const),
  }),
  output: field(z.enum(['one', 'two', 'three'], { error: 'Choose one, two or three legs' }), {
    label: 'Feeds',
    choices: [
      ['one', 'one leg'],
      ['two', 'two legs'],
      ['three', 'three legs'],
    ],
  }),
  continuousVA: field(amountSchema(100, 100_000, 'VA'), { label: 'Continuous power', unit: 'VA' }),
  continuousW: power('Continuous active power', 'W', 'where it is less than the volt-amperes'),
  perLegVA: power('On one leg', 'VA'),
  maxParallel: field(countSchema(1, 12), { label: 'Together at most', unit: 'count' }),
};

/** What it carries for seconds. */
export const surgeRatings = {
  overload: field(
    z
      .array(
        z.strictObject({
          apparentPowerVA: amountSchema(1, 200_000, 'VA'),
          durationS: amountSchema(0.01, 3600, 's'),
        }),
      )
      .max(6, 'Use at most 6 points'),
    {
      label: 'Overload',
      points: {
        numbers: [
          ['apparentPowerVA', 'VA'],
          ['durationS', 's'],
        ],
        between: 'for',
      },
      hint: '“9.7 kVA for 22 s; 11.9 kVA for 1.2 s”',
    },
  ),
  lockedRotorA: field(amountSchema(1, 1000, 'A').nullable(), { label: 'Starts locked rotor', unit: 'A' }),
  neutralA: field(amountSchema(1, 1000, 'A').nullable(), { label: 'Neutral', unit: 'A' }),
  voltageDroop: share('Voltage lost at full power', 0, 0.5),
  retryAfterS: field(amountSchema(0, 3600, 's').nullable(), { label: 'Tries again after', unit: 's' }),
  retryTries: field(countSchema(0, 100).nullable(), {
    label: 'Tries',
    unit: 'count',
    hint: '0: it disconnects, and somebody resets it',
  }),
};

/** What it loses and how fast it takes over. */
export const behaviourRatings = {
  dischargeEfficiency: share('Efficiency, battery to house', 0.5, 1),
  efficiencyAt: field(
    z
      .array(z.strictObject({ share: amountSchema(0.01, 1), efficiency: amountSchema(0.5, 1) }))
      .min(2, 'Give at least two points, or none')
      .max(6, 'Use at most 6 points')
      .nullable(),
    {
      label: 'Efficiency by load',
      points: {
        numbers: [
          ['share', 'share'],
          ['efficiency', 'share'],
        ],
        between: 'at',
      },
      hint: 'share of the rating and efficiency: “20 % at 96 %; 100 % at 93 %”',
    },
  ),
  standbyW: field(amountSchema(0, 500, 'W').nullable(), { label: 'Own draw', unit: 'W' }),
  transferGapMs: field(amountSchema(0, 60_000, 'ms').nullable(), { label: 'Transfer gap', unit: 'ms' }),
  gridReturnS: field(amountSchema(0, 3600, 's').nullable(), {
    label: 'Returns to the grid after',
    unit: 's',
  }),
};

/** What it takes. */
export const chargeRatings = {
  chargeW: power('Charging from AC', 'W'),
  chargeEfficiency: share('Efficiency, AC to battery', 0.5, 1),
  solarDcW: power('Solar at its own inputs', 'W'),
  solarAcW: power('Solar inverters beside it', 'W'),
  solarAcBreakerA: field(amountSchema(1, 400, 'A').nullable(), {
    label: 'Solar breaker beside it',
    unit: 'A',
    hint: 'where the limit is said as a breaker',
  }),
};

export const inverterRatings = { ...outputRatings, ...surgeRatings, ...behaviourRatings, ...chargeRatings };
export type InverterRatings = z.infer<z.ZodObject<typeof inverterRatings, z.core.$strict>>;
