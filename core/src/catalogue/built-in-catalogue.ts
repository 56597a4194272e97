import type { Battery, Inverter, Unit } from './unit.schema.js';

/** Every unit here is invented: names, ratings and makers exist only in this program. */

const lithium = (
  nameplateWh: number,
  usableShare: number,
  dischargePowerW: number | null = null,
  nominalVoltageV = 51.2,
): Battery => ({
  chemistry: 'lithium',
  nominalVoltageV,
  nameplateWh,
  usableShare,
  dischargePowerW,
  fadePerYear: 0.0125,
  peukert: null,
});

const pack = (id: string, name: string, summary: string, massKg: number, battery: Battery): Unit => ({
  id,
  name,
  role: battery.dischargePowerW === null ? 'expansion-pack' : 'battery-module',
  summary,
  massKg,
  inverter: null,
  battery,
});

const madder: Inverter = {
  systems: ['split-120-240', 'two-legs-120-208'],
  output: 'two',
  continuousVA: 4700,
  perLegVA: 2350,
  overload: [
    { apparentPowerVA: 6100, durationS: 9 },
    { apparentPowerVA: 8900, durationS: 0.7 },
  ],
  lockedRotorA: 61,
  neutralA: 23,
  dischargeEfficiency: 0.947,
  standbyW: 47,
  transferGapMs: 34,
  maxParallel: 4,
  accepts: [{ unitId: 'madder-pack', minPerInverter: 0, maxPerInverter: 3 }],
};

const woad: Inverter = {
  systems: ['split-120-240', 'two-legs-120-208'],
  output: 'two',
  continuousVA: 9300,
  perLegVA: 4900,
  overload: [
    { apparentPowerVA: 12_300, durationS: 14 },
    { apparentPowerVA: 17_100, durationS: 0.9 },
  ],
  lockedRotorA: 117,
  neutralA: 47,
  dischargeEfficiency: 0.953,
  standbyW: 83,
  transferGapMs: 14,
  maxParallel: 3,
  accepts: [{ unitId: 'woad-module', minPerInverter: 3, maxPerInverter: 10 }],
};

const yarrow: Inverter = {
  systems: ['split-120-240'],
  output: 'two',
  continuousVA: 7900,
  perLegVA: 3950,
  overload: [
    { apparentPowerVA: 9700, durationS: 22 },
    { apparentPowerVA: 11_900, durationS: 1.2 },
  ],
  lockedRotorA: 94,
  neutralA: 31,
  dischargeEfficiency: 0.938,
  standbyW: 58,
  transferGapMs: 135,
  maxParallel: 4,
  accepts: [{ unitId: 'yarrow-pack', minPerInverter: 0, maxPerInverter: 2 }],
};

const teasel: Inverter = {
  systems: ['split-120-240', 'two-legs-120-208'],
  output: 'two',
  continuousVA: 5600,
  perLegVA: 2800,
  overload: [
    { apparentPowerVA: 8300, durationS: 28 },
    { apparentPowerVA: 13_700, durationS: 2.5 },
  ],
  lockedRotorA: 103,
  neutralA: 28,
  dischargeEfficiency: 0.914,
  standbyW: 39,
  transferGapMs: 18,
  maxParallel: 2,
  accepts: [{ unitId: 'teasel-bank', minPerInverter: 1, maxPerInverter: 3 }],
};

const sorrel: Inverter = {
  systems: ['single-230', 'three-230-400'],
  output: 'one',
  continuousVA: 3400,
  perLegVA: 3400,
  overload: [
    { apparentPowerVA: 4300, durationS: 11 },
    { apparentPowerVA: 6200, durationS: 0.6 },
  ],
  lockedRotorA: 27,
  neutralA: null,
  dischargeEfficiency: 0.944,
  standbyW: 31,
  transferGapMs: 26,
  maxParallel: 3,
  accepts: [{ unitId: 'sorrel-pack', minPerInverter: 0, maxPerInverter: 2 }],
};

const weld: Inverter = {
  systems: ['single-230'],
  output: 'one',
  continuousVA: 5700,
  perLegVA: 5700,
  overload: [
    { apparentPowerVA: 7400, durationS: 13 },
    { apparentPowerVA: 9900, durationS: 0.8 },
  ],
  lockedRotorA: 43,
  neutralA: null,
  dischargeEfficiency: 0.957,
  standbyW: 52,
  transferGapMs: 11,
  maxParallel: 2,
  accepts: [{ unitId: 'weld-module', minPerInverter: 2, maxPerInverter: 7 }],
};

const bracken = (scale: { va: number; legVA: number; surgeVA: number; standbyW: number }): Inverter => ({
  systems: ['three-230-400'],
  output: 'three',
  continuousVA: scale.va,
  perLegVA: scale.legVA,
  overload: [
    { apparentPowerVA: Math.round(scale.va * 1.23), durationS: 12 },
    { apparentPowerVA: scale.surgeVA, durationS: 0.9 },
  ],
  lockedRotorA: Math.round(scale.surgeVA / 690),
  neutralA: Math.round((scale.legVA / 230) * 1.3),
  dischargeEfficiency: 0.961,
  standbyW: scale.standbyW,
  transferGapMs: 17,
  maxParallel: 2,
  accepts: [{ unitId: 'bracken-module', minPerInverter: 2, maxPerInverter: 8 }],
});

/** The units that ship with the program. */
export const builtInCatalogue: readonly Unit[] = [
  {
    id: 'madder-47',
    name: 'Madder 47',
    role: 'battery-inverter',
    summary: 'Small split-phase battery-inverter, in line, with room for expansion packs',
    massKg: 129,
    inverter: madder,
    battery: lithium(8700, 0.93),
  },
  pack(
    'madder-pack',
    'Madder pack',
    'Expansion pack for Madder 47: hours, no watts',
    83,
    lithium(7900, 0.93),
  ),
  {
    id: 'woad-93',
    name: 'Woad 93',
    role: 'hybrid-inverter',
    summary: 'Split-phase hybrid inverter for battery modules and DC-coupled solar',
    massKg: 47,
    inverter: woad,
    battery: null,
  },
  pack('woad-module', 'Woad module', 'Battery module for Woad 93', 44, lithium(4300, 0.91, 3100)),
  {
    id: 'yarrow-79',
    name: 'Yarrow 79',
    role: 'battery-inverter',
    summary: 'Large AC-coupled split-phase battery-inverter behind a separate contactor',
    massKg: 187,
    inverter: yarrow,
    battery: lithium(16_900, 0.95),
  },
  pack(
    'yarrow-pack',
    'Yarrow pack',
    'Expansion pack for Yarrow 79: hours, no watts',
    151,
    lithium(16_300, 0.95),
  ),
  {
    id: 'teasel-56',
    name: 'Teasel 56',
    role: 'inverter-charger',
    summary: 'Low-frequency split-phase inverter-charger for a lead-acid bank, strong on motor starts',
    massKg: 61,
    inverter: teasel,
    battery: null,
  },
  {
    id: 'teasel-bank',
    name: 'Teasel bank',
    role: 'lead-acid-bank',
    summary: 'Sealed lead-acid bank, 48 V, rated at the 20-hour rate',
    massKg: 742,
    inverter: null,
    battery: {
      chemistry: 'lead-acid',
      nominalVoltageV: 48,
      nameplateWh: 21_600,
      usableShare: 0.8,
      dischargePowerW: 6400,
      fadePerYear: 0.04,
      peukert: { exponent: 1.19, ratedHours: 20 },
    },
  },
  {
    id: 'sorrel-34',
    name: 'Sorrel 34',
    role: 'battery-inverter',
    summary: 'Single-phase battery-inverter; three of them feed a three-phase house',
    massKg: 96,
    inverter: sorrel,
    battery: lithium(6700, 0.92),
  },
  pack(
    'sorrel-pack',
    'Sorrel pack',
    'Expansion pack for Sorrel 34: hours, no watts',
    64,
    lithium(6200, 0.92),
  ),
  {
    id: 'weld-57',
    name: 'Weld 57',
    role: 'hybrid-inverter',
    summary: 'Single-phase hybrid inverter for battery modules',
    massKg: 29,
    inverter: weld,
    battery: null,
  },
  pack('weld-module', 'Weld module', 'Battery module for Weld 57', 38, lithium(3700, 0.94, 2300)),
  {
    id: 'bracken-96',
    name: 'Bracken 96',
    role: 'hybrid-inverter',
    summary: 'Three-phase hybrid inverter, a third of its rating on each phase',
    massKg: 36,
    inverter: bracken({ va: 9600, legVA: 3200, surgeVA: 14_500, standbyW: 71 }),
    battery: null,
  },
  {
    id: 'bracken-141',
    name: 'Bracken 141',
    role: 'hybrid-inverter',
    summary: 'Larger three-phase hybrid inverter, up to 5.3 kVA on one phase',
    massKg: 43,
    inverter: bracken({ va: 14_100, legVA: 5300, surgeVA: 22_800, standbyW: 88 }),
    battery: null,
  },
  pack(
    'bracken-module',
    'Bracken module',
    'Battery module for Bracken inverters',
    57,
    lithium(5400, 0.93, 4100, 102.4),
  ),
];
