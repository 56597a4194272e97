import * as z from 'zod';
import { amountSchema, countSchema, field, yesNo } from '../../base/index.js';

const text = (label: string, hint?: string) =>
  field(z.string().max(60, 'Use at most 60 characters').nullable(), {
    label,
    ...(hint === undefined ? {} : { hint }),
  });

export const conductorRatings = {
  size: text('Size', '“6 AWG” or “16 mm²”'),
  metal: field(z.enum(['copper', 'aluminium'], { error: 'Choose copper or aluminium' }), {
    label: 'Metal',
    choices: [
      ['copper', 'copper'],
      ['aluminium', 'aluminium'],
    ],
  }),
  cores: field(countSchema(1, 12).nullable(), { label: 'Cores', unit: 'count' }),
  insulationC: field(amountSchema(50, 250, '°C').nullable(), { label: 'Insulation up to', unit: '°C' }),
  soldByM: field(amountSchema(0.1, 1000, 'm').nullable(), { label: 'Sold by', unit: 'm' }),
};

export const conduitRatings = {
  tradeSize: text('Size', '“1 in” or “25 mm”'),
  material: text('Material'),
  pieceM: field(amountSchema(0.1, 100, 'm').nullable(), { label: 'Length of a piece', unit: 'm' }),
};

export const meteringRatings = {
  channels: field(countSchema(1, 200).nullable(), { label: 'Channels', unit: 'count' }),
  sensorA: field(amountSchema(1, 5000, 'A').nullable(), { label: 'Current sensors up to', unit: 'A' }),
  revenueGrade: yesNo('For billing'),
};

export const surgeDeviceRatings = {
  surgeType: text('Type'),
  surgeKA: field(amountSchema(0.1, 1000, 'kA').nullable(), {
    label: 'Nominal discharge, kA',
    unit: 'factor',
  }),
  surgeV: field(amountSchema(10, 2000, 'V').nullable(), { label: 'Rated voltage', unit: 'V' }),
};

export const generatorRatings = {
  generatorW: field(amountSchema(500, 200_000, 'W'), { label: 'Rated power', unit: 'W' }),
  generatorLegs: field(countSchema(1, 3), { label: 'Legs', unit: 'count' }),
  fuel: field(z.enum(['petrol', 'diesel', 'gas', 'propane'], { error: 'Choose the fuel' }).nullable(), {
    label: 'Fuel',
    choices: [
      ['petrol', 'petrol'],
      ['diesel', 'diesel'],
      ['gas', 'natural gas'],
      ['propane', 'propane'],
    ],
  }),
  fuelAtFullLPerH: field(amountSchema(0.05, 200, 'l/h').nullable(), {
    label: 'Fuel at full power',
    unit: 'l/h',
  }),
  fuelAtHalfLPerH: field(amountSchema(0.05, 200, 'l/h').nullable(), {
    label: 'Fuel at half power',
    unit: 'l/h',
  }),
  selfStarts: yesNo('Starts by itself'),
};
