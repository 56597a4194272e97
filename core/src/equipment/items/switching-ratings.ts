import * as z from 'zod';
import { amountSchema, countSchema, field, yesNo } from '../../base/index.js';

const current = (label: string) => field(amountSchema(0.1, 2000, 'A'), { label, unit: 'A' });
const perhapsCurrent = (label: string) =>
  field(amountSchema(0.1, 2000, 'A').nullable(), { label, unit: 'A' });
const perhapsCount = (label: string, most: number) =>
  field(countSchema(0, most).nullable(), { label, unit: 'count' });
const interrupts = () =>
  field(amountSchema(100, 200_000, 'A').nullable(), { label: 'Interrupts', unit: 'A' });

/** What separates the island from the grid. */
export const isolatingRatings = {
  form: field(z.enum(['contactor', 'transfer-switch', 'at-meter', 'gateway'], { error: 'Choose its form' }), {
    label: 'Form',
    choices: [
      ['contactor', 'contactor'],
      ['transfer-switch', 'transfer switch'],
      ['at-meter', 'at the meter'],
      ['gateway', 'enclosure with control'],
    ],
  }),
  ratedA: current('Rated current'),
  poles: field(countSchema(1, 4), { label: 'Poles', unit: 'count' }),
  automatic: yesNo('Automatic'),
  switchGapMs: field(amountSchema(0, 60_000, 'ms').nullable(), { label: 'Transfer gap', unit: 'ms' }),
  bypass: yesNo('Bypass by hand'),
  solarPortA: perhapsCurrent('Port for solar'),
  generatorPortA: perhapsCurrent('Port for a generator'),
  loadPortA: perhapsCurrent('Port for a controlled load'),
  interruptsA: interrupts(),
};

/** A transformer that forms the neutral. */
export const autotransformerRatings = {
  ratedVA: field(amountSchema(100, 100_000, 'VA'), { label: 'Rated power', unit: 'VA' }),
  formedNeutralA: field(amountSchema(1, 400, 'A').nullable(), { label: 'Neutral it forms', unit: 'A' }),
  idleW: field(amountSchema(0, 500, 'W').nullable(), { label: 'Idle loss', unit: 'W' }),
  tripsWithLoss: yesNo('Its breaker opens the house with it'),
};

/** Lets a motor start slowly. */
export const softStarterRatings = {
  softRunningA: current('Running current of the motor, up to'),
  softPoles: field(countSchema(1, 3), { label: 'Poles it switches', unit: 'count' }),
};

/** Switches circuits on and off. */
export const loadControllerRatings = {
  circuits: field(countSchema(1, 60), { label: 'Circuits', unit: 'count' }),
  circuitA: current('Amperes of a circuit'),
  responseS: field(amountSchema(0, 600, 's').nullable(), { label: 'Answers within', unit: 's' }),
  ownDrawW: field(amountSchema(0, 500, 'W').nullable(), { label: 'Own draw', unit: 'W' }),
};

/** A breaker, with remote control or without. */
export const breakerRatings = {
  breakerA: current('Rated current'),
  breakerPoles: field(countSchema(1, 4), { label: 'Poles', unit: 'count' }),
  family: field(z.string().max(40, 'Use at most 40 characters').nullable(), { label: 'Family' }),
  curve: field(z.string().max(20, 'Use at most 20 characters').nullable(), { label: 'Curve' }),
  protects: field(
    z.enum(['none', 'gfci', 'afci', 'both'], { error: 'Choose what it protects from' }).nullable(),
    {
      label: 'Protects from',
      choices: [
        ['none', 'overcurrent only'],
        ['gfci', 'residual current too'],
        ['afci', 'arcs too'],
        ['both', 'residual current and arcs'],
      ],
    },
  ),
  interruptsA: interrupts(),
};

export const fuseRatings = {
  fuseA: current('Rated current'),
  fuseV: field(amountSchema(1, 2000, 'V').nullable(), { label: 'Rated voltage', unit: 'V' }),
  fuseClass: field(z.string().max(20, 'Use at most 20 characters').nullable(), { label: 'Class' }),
  interruptsA: interrupts(),
};

export const disconnectRatings = {
  disconnectA: current('Rated current'),
  disconnectPoles: field(countSchema(1, 6), { label: 'Poles', unit: 'count' }),
  disconnectV: field(amountSchema(1, 2000, 'V').nullable(), { label: 'Rated voltage', unit: 'V' }),
  fused: yesNo('Fused'),
  lockable: yesNo('Can be locked open'),
  visible: yesNo('Contacts can be seen'),
};

export const panelRatings = {
  spaces: field(countSchema(1, 84), { label: 'Spaces', unit: 'count' }),
  busA: current('Busbar'),
  mainA: perhapsCurrent('Main breaker'),
  family: field(z.string().max(40, 'Use at most 40 characters').nullable(), { label: 'Takes breakers of' }),
  tandemSpaces: perhapsCount('Spaces for tandems', 84),
};
