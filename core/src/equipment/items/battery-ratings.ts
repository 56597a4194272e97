import * as z from 'zod';
import { amountSchema, field } from '../../base/index.js';

const power = (label: string) =>
  field(amountSchema(50, 200_000, 'W').nullable(), {
    label,
    unit: 'W',
    hint: 'empty: the inverter sets the limit',
  });

/** What a battery holds. Energy is given, or follows from voltage and ampere-hours. */
export const storageRatings = {
  chemistry: field(z.enum(['lithium', 'lead-acid'], { error: 'Choose lithium or lead-acid' }), {
    label: 'Chemistry',
    choices: [
      ['lithium', 'lithium'],
      ['lead-acid', 'lead-acid'],
    ],
  }),
  nominalVoltageV: field(amountSchema(2, 1000, 'V'), { label: 'Nominal voltage', unit: 'V' }),
  nameplateWh: field(amountSchema(100, 200_000, 'Wh').nullable(), { label: 'Nameplate energy', unit: 'kWh' }),
  ratedAh: field(amountSchema(1, 10_000, 'Ah').nullable(), { label: 'Capacity', unit: 'Ah' }),
  ratedHours: field(amountSchema(1, 100, 'h').nullable(), { label: 'At the rate of', unit: 'h' }),
  usableWh: field(amountSchema(50, 200_000, 'Wh').nullable(), { label: 'Usable energy', unit: 'kWh' }),
  peukertExponent: field(amountSchema(1, 2).nullable(), { label: 'Peukert exponent', unit: 'factor' }),
};

/** How fast it gives and takes, and how it ages. */
export const cellRatings = {
  dischargePowerW: power('Power out'),
  peakPowerW: power('Power out for seconds'),
  batteryChargeW: power('Power in'),
  retentionShare: field(amountSchema(0.1, 1).nullable(), { label: 'Retained capacity', unit: 'share' }),
  retentionYears: field(amountSchema(1, 40, 'years').nullable(), { label: 'After', unit: 'yr' }),
};

export const batteryRatings = { ...storageRatings, ...cellRatings };
export type BatteryRatings = z.infer<z.ZodObject<typeof batteryRatings, z.core.$strict>>;
