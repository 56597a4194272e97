import type { BatteryRatings } from '../items/battery-ratings.js';
import type { InverterRatings } from '../items/inverter-ratings.js';
import { emptyHead } from '../items/empty-item.js';
import type { Item } from '../items/item.schema.js';

/** Every unit here is invented: names, ratings and makers exist only in this program. */

/** At ten years, as data sheets promise it. */
const aged = { retentionShare: 0.875, retentionYears: 10 } as const;

const lithium = (
  nameplateWh: number,
  usableShare: number,
  dischargePowerW: number | null = null,
  nominalVoltageV = 51.2,
): BatteryRatings => ({
  chemistry: 'lithium',
  nominalVoltageV,
  nameplateWh,
  ratedAh: null,
  ratedHours: null,
  usableWh: Math.round(nameplateWh * usableShare * 1000) / 1000,
  peukertExponent: null,
  dischargePowerW,
  peakPowerW: dischargePowerW === null ? null : Math.round(dischargePowerW * 1.63),
  batteryChargeW: dischargePowerW === null ? null : Math.round(dischargePowerW * 0.87),
  ...aged,
});

/** Energy that leaves the cells until the warranty ends: so many times the nameplate. */
const warrantyOf = ({ chemistry, nameplateWh }: BatteryRatings) =>
  nameplateWh === null
    ? {}
    : {
        warrantyYears: chemistry === 'lithium' ? 10 : 3,
        warrantyThroughputWh: nameplateWh * (chemistry === 'lithium' ? 2900 : 640),
      };

type Body = Pick<
  Item,
  | 'widthMm'
  | 'heightMm'
  | 'depthMm'
  | 'mounting'
  | 'outdoors'
  | 'clearAboveMm'
  | 'clearBelowMm'
  | 'clearBesideMm'
  | 'clearFrontMm'
  | 'betweenUnitsMm'
  | 'ingress'
  | 'noiseDb'
  | 'coldestC'
  | 'hottestC'
  | 'derateAboveC'
  | 'deratePerC'
  | 'heaterW'
>;

/** Sizes, mm, and the room around it: above, below, beside, before. */
const body = (
  [widthMm, heightMm, depthMm]: readonly [number, number, number],
  mounting: Item['mounting'],
  [clearAboveMm, clearBelowMm, clearBesideMm, clearFrontMm]: readonly [number, number, number, number],
  more: Partial<Body>,
): Body => ({
  widthMm,
  heightMm,
  depthMm,
  mounting,
  clearAboveMm,
  clearBelowMm,
  clearBesideMm,
  clearFrontMm,
  outdoors: true,
  betweenUnitsMm: null,
  ingress: 'IP55',
  noiseDb: null,
  coldestC: -18,
  hottestC: 49,
  derateAboveC: null,
  deratePerC: null,
  heaterW: null,
  ...more,
});
const hot = (derateAboveC: number, deratePerC: number): Partial<Body> => ({ derateAboveC, deratePerC });

/** How each is built, and where it may be. */
const bodies: Readonly<Record<string, Body>> = {
  'madder-47': body([580, 1060, 210], 'wall', [160, 310, 140, 620], {
    ...hot(42, 0.023),
    betweenUnitsMm: 190,
    noiseDb: 41,
    heaterW: 130,
  }),
  'madder-pack': body([580, 890, 190], 'wall', [160, 310, 140, 620], { betweenUnitsMm: 190, heaterW: 110 }),
  'woad-93': body([510, 690, 240], 'wall', [320, 320, 230, 840], {
    ...hot(43, 0.027),
    noiseDb: 46,
    coldestC: -22,
  }),
  'woad-module': body([470, 390, 280], 'wall-or-floor', [90, 0, 110, 620], {
    betweenUnitsMm: 0,
    outdoors: false,
    ingress: 'IP21',
    coldestC: -8,
  }),
  'yarrow-79': body([770, 1290, 270], 'wall-or-floor', [210, 0, 170, 760], {
    ...hot(44, 0.019),
    betweenUnitsMm: 230,
    noiseDb: 44,
    heaterW: 210,
  }),
  'yarrow-pack': body([770, 1140, 250], 'wall-or-floor', [210, 0, 170, 760], {
    betweenUnitsMm: 230,
    heaterW: 190,
  }),
  'teasel-56': body([430, 720, 260], 'wall', [260, 260, 160, 840], {
    ...hot(27, 0.009),
    outdoors: false,
    ingress: 'IP21',
    noiseDb: 52,
    coldestC: -12,
  }),
  'teasel-bank': body([1240, 870, 640], 'floor', [460, 0, 60, 910], {
    outdoors: false,
    ingress: '',
    coldestC: -14,
    hottestC: 47,
  }),
  'sorrel-34': body([540, 980, 195], 'wall', [180, 290, 130, 590], {
    ...hot(41, 0.024),
    betweenUnitsMm: 170,
    noiseDb: 39,
  }),
  'sorrel-pack': body([540, 760, 180], 'wall', [180, 290, 130, 590], { betweenUnitsMm: 170 }),
  'weld-57': body([430, 560, 200], 'wall', [290, 290, 210, 760], { ...hot(43, 0.026), noiseDb: 43 }),
  'weld-module': body([490, 360, 240], 'wall-or-floor', [80, 0, 90, 590], {
    betweenUnitsMm: 0,
    outdoors: false,
    ingress: 'IP20',
    coldestC: -7,
  }),
  'bracken-96': body([540, 610, 225], 'wall', [310, 310, 220, 780], { ...hot(44, 0.025), noiseDb: 45 }),
  'bracken-141': body([540, 640, 235], 'wall', [310, 310, 220, 780], { ...hot(44, 0.025), noiseDb: 47 }),
  'bracken-module': body([610, 410, 330], 'wall-or-floor', [100, 0, 120, 620], {
    betweenUnitsMm: 0,
    outdoors: false,
    ingress: 'IP21',
    coldestC: -9,
  }),
};

type Head = Pick<Item, 'id' | 'name' | 'summary' | 'massKg'>;
const headOf = ({ id, name, summary, massKg }: Head) => ({
  ...emptyHead,
  id,
  name,
  summary,
  massKg,
  ...bodies[id],
  line: 'Sample line',
});

const pack = (head: Head, ratings: BatteryRatings): Item => ({
  ...headOf(head),
  ...warrantyOf(ratings),
  kind: ratings.dischargePowerW === null ? 'expansion-pack' : 'battery-module',
  ratings,
});
const inverter = (
  kind: 'hybrid-inverter' | 'inverter-charger',
  head: Head,
  ratings: InverterRatings,
  goesWith: Item['goesWith'],
): Item => ({ ...headOf(head), kind, ratings, goesWith });
const batteryInverter = (
  head: Head,
  ratings: InverterRatings & BatteryRatings,
  goesWith: Item['goesWith'],
): Item => ({ ...headOf(head), ...warrantyOf(ratings), kind: 'battery-inverter', ratings, goesWith });

/** So many for each inverter. */
const takes = (itemId: string, least: number, most: number): Item['goesWith'] => [
  { itemId, least, most, step: 1, per: 'each' },
];

const madder: InverterRatings = {
  systems: ['split-120-240', 'two-legs-120-208'],
  output: 'two',
  continuousVA: 4700,
  continuousW: null,
  perLegVA: 2350,
  overload: [
    { apparentPowerVA: 6100, durationS: 9 },
    { apparentPowerVA: 8900, durationS: 0.7 },
  ],
  lockedRotorA: 61,
  neutralA: 23,
  dischargeEfficiency: 0.947,
  efficiencyAt: null,
  chargeW: 4100,
  chargeEfficiency: 0.951,
  solarDcW: null,
  solarAcW: 5200,
  solarAcBreakerA: null,
  standbyW: 47,
  transferGapMs: 34,
  gridReturnS: 300,
  voltageDroop: 0.037,
  retryAfterS: 12,
  retryTries: 2,
  maxParallel: 4,
};

const woad: InverterRatings = {
  systems: ['split-120-240', 'two-legs-120-208'],
  output: 'two',
  continuousVA: 9300,
  continuousW: null,
  perLegVA: 4900,
  overload: [
    { apparentPowerVA: 12_300, durationS: 14 },
    { apparentPowerVA: 17_100, durationS: 0.9 },
  ],
  lockedRotorA: 117,
  neutralA: 47,
  dischargeEfficiency: 0.953,
  efficiencyAt: [
    { share: 0.2, efficiency: 0.963 },
    { share: 0.5, efficiency: 0.954 },
    { share: 1, efficiency: 0.937 },
  ],
  chargeW: 8700,
  chargeEfficiency: 0.957,
  solarDcW: 13_700,
  solarAcW: 8200,
  solarAcBreakerA: null,
  standbyW: 83,
  transferGapMs: 14,
  gridReturnS: 300,
  voltageDroop: 0.026,
  retryAfterS: 7,
  retryTries: 4,
  maxParallel: 3,
};

const yarrow: InverterRatings = {
  systems: ['split-120-240'],
  output: 'two',
  continuousVA: 7900,
  continuousW: null,
  perLegVA: 3950,
  overload: [
    { apparentPowerVA: 9700, durationS: 22 },
    { apparentPowerVA: 11_900, durationS: 1.2 },
  ],
  lockedRotorA: 94,
  neutralA: 31,
  dischargeEfficiency: 0.938,
  efficiencyAt: null,
  chargeW: 6300,
  chargeEfficiency: 0.941,
  solarDcW: null,
  solarAcW: 8900,
  solarAcBreakerA: null,
  standbyW: 58,
  transferGapMs: 135,
  gridReturnS: 240,
  voltageDroop: null,
  retryAfterS: 25,
  retryTries: 3,
  maxParallel: 4,
};

const teasel: InverterRatings = {
  systems: ['split-120-240', 'two-legs-120-208'],
  output: 'two',
  continuousVA: 5600,
  continuousW: null,
  perLegVA: 2800,
  overload: [
    { apparentPowerVA: 8300, durationS: 28 },
    { apparentPowerVA: 13_700, durationS: 2.5 },
  ],
  lockedRotorA: 103,
  neutralA: 28,
  dischargeEfficiency: 0.914,
  efficiencyAt: null,
  chargeW: 4400,
  chargeEfficiency: 0.897,
  solarDcW: null,
  solarAcW: 4700,
  solarAcBreakerA: null,
  standbyW: 39,
  transferGapMs: 18,
  gridReturnS: 300,
  voltageDroop: 0.021,
  retryAfterS: 31,
  retryTries: 1,
  maxParallel: 2,
};

const sorrel: InverterRatings = {
  systems: ['single-230', 'three-230-400'],
  output: 'one',
  continuousVA: 3400,
  continuousW: null,
  perLegVA: 3400,
  overload: [
    { apparentPowerVA: 4300, durationS: 11 },
    { apparentPowerVA: 6200, durationS: 0.6 },
  ],
  lockedRotorA: 27,
  neutralA: null,
  dischargeEfficiency: 0.944,
  efficiencyAt: null,
  chargeW: 3100,
  chargeEfficiency: 0.949,
  solarDcW: null,
  solarAcW: 3600,
  solarAcBreakerA: null,
  standbyW: 31,
  transferGapMs: 26,
  gridReturnS: 180,
  voltageDroop: 0.043,
  retryAfterS: 9,
  retryTries: 3,
  maxParallel: 3,
};

const weld: InverterRatings = {
  systems: ['single-230'],
  output: 'one',
  continuousVA: 5700,
  continuousW: null,
  perLegVA: 5700,
  overload: [
    { apparentPowerVA: 7400, durationS: 13 },
    { apparentPowerVA: 9900, durationS: 0.8 },
  ],
  lockedRotorA: 43,
  neutralA: null,
  dischargeEfficiency: 0.957,
  efficiencyAt: null,
  chargeW: 5100,
  chargeEfficiency: 0.959,
  solarDcW: 7900,
  solarAcW: 4900,
  solarAcBreakerA: null,
  standbyW: 52,
  transferGapMs: 11,
  gridReturnS: 300,
  voltageDroop: 0.031,
  retryAfterS: 17,
  retryTries: 2,
  maxParallel: 2,
};

const bracken = (scale: {
  va: number;
  legVA: number;
  surgeVA: number;
  standbyW: number;
}): InverterRatings => ({
  systems: ['three-230-400'],
  output: 'three',
  continuousVA: scale.va,
  continuousW: null,
  perLegVA: scale.legVA,
  overload: [
    { apparentPowerVA: Math.round(scale.va * 1.23), durationS: 12 },
    { apparentPowerVA: scale.surgeVA, durationS: 0.9 },
  ],
  lockedRotorA: Math.round(scale.surgeVA / 690),
  neutralA: Math.round((scale.legVA / 230) * 1.3),
  dischargeEfficiency: 0.961,
  efficiencyAt: null,
  chargeW: Math.round(scale.va * 0.93),
  chargeEfficiency: 0.963,
  solarDcW: Math.round(scale.va * 1.47),
  solarAcW: Math.round(scale.va * 0.88),
  solarAcBreakerA: null,
  standbyW: scale.standbyW,
  transferGapMs: 17,
  gridReturnS: 60,
  voltageDroop: 0.024,
  retryAfterS: 13,
  retryTries: 5,
  maxParallel: 2,
});

/** The items that ship with the program. */
export const sampleLine: readonly Item[] = [
  batteryInverter(
    {
      id: 'madder-47',
      name: 'Madder 47',
      summary: 'Small split-phase battery-inverter, in line, with room for expansion packs',
      massKg: 129,
    },
    { ...madder, ...lithium(8700, 0.93) },
    takes('madder-pack', 0, 3),
  ),
  pack(
    {
      id: 'madder-pack',
      name: 'Madder pack',
      summary: 'Expansion pack for Madder 47: hours, no watts',
      massKg: 83,
    },
    lithium(7900, 0.93),
  ),
  inverter(
    'hybrid-inverter',
    {
      id: 'woad-93',
      name: 'Woad 93',
      summary: 'Split-phase hybrid inverter for battery modules and DC-coupled solar',
      massKg: 47,
    },
    woad,
    takes('woad-module', 3, 10),
  ),
  pack(
    { id: 'woad-module', name: 'Woad module', summary: 'Battery module for Woad 93', massKg: 44 },
    lithium(4300, 0.91, 3100),
  ),
  batteryInverter(
    {
      id: 'yarrow-79',
      name: 'Yarrow 79',
      summary: 'Large AC-coupled split-phase battery-inverter behind a separate contactor',
      massKg: 187,
    },
    { ...yarrow, ...lithium(16_900, 0.95) },
    takes('yarrow-pack', 0, 2),
  ),
  pack(
    {
      id: 'yarrow-pack',
      name: 'Yarrow pack',
      summary: 'Expansion pack for Yarrow 79: hours, no watts',
      massKg: 151,
    },
    lithium(16_300, 0.95),
  ),
  inverter(
    'inverter-charger',
    {
      id: 'teasel-56',
      name: 'Teasel 56',
      summary: 'Low-frequency split-phase inverter-charger for a lead-acid bank, strong on motor starts',
      massKg: 61,
    },
    teasel,
    takes('teasel-bank', 1, 3),
  ),
  {
    ...headOf({
      id: 'teasel-bank',
      name: 'Teasel bank',
      summary: 'Sealed lead-acid bank, 48 V, rated at the 20-hour rate',
      massKg: 742,
    }),
    kind: 'lead-acid-battery',
    ratings: {
      chemistry: 'lead-acid',
      nominalVoltageV: 48,
      nameplateWh: null,
      ratedAh: 450,
      ratedHours: 20,
      usableWh: 17_280,
      peukertExponent: 1.19,
      dischargePowerW: 6400,
      peakPowerW: 14_500,
      batteryChargeW: 2700,
      retentionShare: 0.6,
      retentionYears: 10,
    },
  },
  batteryInverter(
    {
      id: 'sorrel-34',
      name: 'Sorrel 34',
      summary: 'Single-phase battery-inverter; three of them feed a three-phase house',
      massKg: 96,
    },
    { ...sorrel, ...lithium(6700, 0.92) },
    takes('sorrel-pack', 0, 2),
  ),
  pack(
    {
      id: 'sorrel-pack',
      name: 'Sorrel pack',
      summary: 'Expansion pack for Sorrel 34: hours, no watts',
      massKg: 64,
    },
    lithium(6200, 0.92),
  ),
  inverter(
    'hybrid-inverter',
    {
      id: 'weld-57',
      name: 'Weld 57',
      summary: 'Single-phase hybrid inverter for battery modules',
      massKg: 29,
    },
    weld,
    takes('weld-module', 2, 7),
  ),
  pack(
    { id: 'weld-module', name: 'Weld module', summary: 'Battery module for Weld 57', massKg: 38 },
    lithium(3700, 0.94, 2300),
  ),
  inverter(
    'hybrid-inverter',
    {
      id: 'bracken-96',
      name: 'Bracken 96',
      summary: 'Three-phase hybrid inverter, a third of its rating on each phase',
      massKg: 36,
    },
    bracken({ va: 9600, legVA: 3200, surgeVA: 14_500, standbyW: 71 }),
    takes('bracken-module', 2, 8),
  ),
  inverter(
    'hybrid-inverter',
    {
      id: 'bracken-141',
      name: 'Bracken 141',
      summary: 'Larger three-phase hybrid inverter, up to 5.3 kVA on one phase',
      massKg: 43,
    },
    bracken({ va: 14_100, legVA: 5300, surgeVA: 22_800, standbyW: 88 }),
    takes('bracken-module', 2, 8),
  ),
  pack(
    {
      id: 'bracken-module',
      name: 'Bracken module',
      summary: 'Battery module for Bracken inverters',
      massKg: 57,
    },
    lithium(5400, 0.93, 4100, 102.4),
  ),
];
