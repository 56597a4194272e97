import * as z from 'zod';
import { amountSchema, countSchema, field, idSchema } from '../../base/index.js';

/** What an outage meets: weather, household, and the state things are in. null = a stated default. */
export const scenarioSchema = z.strictObject({
  /** Id of a typical climate; null = the one nearest to the place and most like it. */
  climateId: idSchema.nullable(),
  /** Id of a year of weather that was read from a file; counts before the climate. */
  weatherId: idSchema.nullable(),
  /** Chooses the synthetic year and when loads switch. */
  seed: countSchema(1, 99_999),
  household: field(z.enum(['usual', 'saving'], { error: 'Choose usual or saving' }), {
    label: 'Household',
    hint: 'One that saves leaves comfort off and halves what it should have',
    choices: [
      ['usual', 'Lives as usual'],
      ['saving', 'Saves'],
    ],
  }),
  /** Share of the usable energy that is there when the outage starts. */
  startCharge: field(amountSchema(0.02, 1).nullable(), { label: 'Charge at the start', unit: 'share' }),
  /** Share of the usable energy at which the house is let go dark, so that the system can start again. */
  keptForRestart: field(amountSchema(0, 0.5).nullable(), { label: 'Kept for a restart', unit: 'share' }),
  /** How far above its threshold a shed circuit comes back. */
  restoreAbove: field(amountSchema(0.01, 0.5).nullable(), {
    label: 'Shed circuits come back above',
    unit: 'share',
  }),
  /** Days on which the outages of the brief begin. */
  days: field(z.enum(['any', 'stormy', 'extreme'], { error: 'Choose any, stormy or extreme' }), {
    label: 'Outages begin',
    hint: 'A tenth of the days: those with the least light, or the coldest (in summer the hottest)',
    choices: [
      ['any', 'on any day'],
      ['stormy', 'on days of storm'],
      ['extreme', 'on the coldest or hottest days'],
    ],
  }),
  /** Does snow stay on the arrays while it freezes? */
  snow: field(z.enum(['slides', 'lies'], { error: 'Choose slides or lies' }).nullable(), {
    label: 'Snow on the arrays',
    choices: [
      ['slides', 'slides off'],
      ['lies', 'lies while it freezes'],
    ],
  }),
  /** Where the battery stands decides how cold it gets. */
  batteryPlace: field(
    z.enum(['as-said', 'unheated', 'outdoors'], { error: 'Choose as-said, unheated or outdoors' }).nullable(),
    {
      label: 'Battery stands',
      hint: 'counts until the units are put up in Placement',
      choices: [
        ['as-said', 'as the brief says'],
        ['unheated', 'in an unheated room'],
        ['outdoors', 'outdoors'],
      ],
    },
  ),
  /** Until somebody resets a locked-out inverter; counts for a hands-on household. */
  resetAfterMin: field(amountSchema(1, 2880, 'min').nullable(), {
    label: 'Reset after a lock-out within',
    unit: 'min',
  }),
});
export type Scenario = z.infer<typeof scenarioSchema>;

/** An outage about which nothing is said. */
export const emptyScenario = (): Scenario => ({
  climateId: null,
  weatherId: null,
  seed: 1,
  household: 'usual',
  days: 'any',
  snow: null,
  startCharge: null,
  keptForRestart: null,
  restoreAbove: null,
  batteryPlace: null,
  resetAfterMin: null,
});
