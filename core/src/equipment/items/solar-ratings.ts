import { amountSchema, countSchema, field, yesNo } from '../../base/index.js';

/** A solar module, under standard test conditions. Strings follow from it. */
export const moduleRatings = {
  peakW: field(amountSchema(10, 1500, 'W'), { label: 'Power', unit: 'W' }),
  openCircuitV: field(amountSchema(1, 200, 'V').nullable(), { label: 'Open-circuit voltage', unit: 'V' }),
  shortCircuitA: field(amountSchema(0.1, 50, 'A').nullable(), { label: 'Short-circuit current', unit: 'A' }),
  atPeakV: field(amountSchema(1, 200, 'V').nullable(), { label: 'Voltage at peak power', unit: 'V' }),
  voltagePerC: field(amountSchema(-0.02, 0).nullable(), {
    label: 'Open-circuit voltage, per degree',
    unit: 'share/°C',
    hint: 'negative, as printed',
  }),
  powerPerC: field(amountSchema(-0.02, 0).nullable(), { label: 'Power, per degree', unit: 'share/°C' }),
};

const dcInput = {
  mostDcV: field(amountSchema(10, 1500, 'V').nullable(), { label: 'Most volts at the input', unit: 'V' }),
  inputs: field(countSchema(1, 48).nullable(), { label: 'Inputs', unit: 'count' }),
  inputA: field(amountSchema(0.5, 500, 'A').nullable(), { label: 'Most amperes of an input', unit: 'A' }),
};

/** A solar inverter, for strings or at each module. */
export const solarInverterRatings = {
  acW: field(amountSchema(100, 200_000, 'W'), { label: 'AC power', unit: 'W' }),
  acA: field(amountSchema(0.1, 400, 'A').nullable(), { label: 'AC current', unit: 'A' }),
  dcW: field(amountSchema(100, 300_000, 'W').nullable(), { label: 'Largest array', unit: 'W' }),
  ...dcInput,
  eachModule: yesNo('One at each module'),
  throttles: yesNo('Throttles by frequency'),
};

/** A charge controller between an array and a battery. */
export const controllerRatings = {
  arrayW: field(amountSchema(50, 100_000, 'W'), { label: 'Largest array', unit: 'W' }),
  outputA: field(amountSchema(1, 500, 'A').nullable(), { label: 'Charging current', unit: 'A' }),
  batteryV: field(amountSchema(6, 1000, 'V').nullable(), { label: 'Battery voltage', unit: 'V' }),
  ...dcInput,
};
