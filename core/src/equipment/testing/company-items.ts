import { emptyHead } from '../items/empty-item.js';
import type { BatteryRatings } from '../items/battery-ratings.js';
import type { InverterRatings } from '../items/inverter-ratings.js';
import type { Item } from '../items/item.schema.js';

/** Items of every shape a company may sell, with invented ratings. */

const inverter: InverterRatings = {
  systems: ['split-120-240'],
  output: 'two',
  continuousVA: 6800,
  continuousW: 6500,
  perLegVA: 3400,
  maxParallel: 2,
  overload: [{ apparentPowerVA: 8100, durationS: 17 }],
  lockedRotorA: 88,
  neutralA: 29,
  voltageDroop: 0.033,
  retryAfterS: 15,
  retryTries: 2,
  dischargeEfficiency: 0.943,
  efficiencyAt: [
    { share: 0.15, efficiency: 0.951 },
    { share: 1, efficiency: 0.927 },
  ],
  standbyW: 54,
  transferGapMs: 28,
  gridReturnS: 300,
  chargeW: 5200,
  chargeEfficiency: 0.947,
  solarDcW: null,
  solarAcW: null,
  solarAcBreakerA: 40,
};
const battery: BatteryRatings = {
  chemistry: 'lithium',
  nominalVoltageV: 51.2,
  nameplateWh: 14_600,
  ratedAh: null,
  ratedHours: null,
  usableWh: 13_900,
  peukertExponent: null,
  dischargePowerW: null,
  peakPowerW: null,
  batteryChargeW: null,
  retentionShare: 0.7,
  retentionYears: 10,
};
const head = (id: string, name: string) => ({ ...emptyHead, id, name });

/** Inverter and battery in one, with expansion packs of the same energy without an inverter; solar limit said as a breaker. */
export const clover: Item = {
  ...head('clover-68', 'Clover 68'),
  kind: 'battery-inverter',
  massKg: 141,
  widthMm: 640,
  heightMm: 1180,
  depthMm: 213.5,
  mounting: 'wall-or-floor',
  outdoors: true,
  coldestC: -18,
  hottestC: 48,
  derateAboveC: 41,
  deratePerC: 0.021,
  warrantyYears: 10,
  warrantyThroughputWh: 41_300_000,
  dataSheet: 'Clover 68, sheet 3',
  dataSheetDate: '2026-05-11',
  ratings: { ...inverter, ...battery },
  goesWith: [{ itemId: 'clover-pack', least: 0, most: 2, step: 1, per: 'each' }],
  needs: [{ itemId: 'clover-hub', quantity: 1, forEach: null }],
  sources: [{ field: 'lockedRotorA', source: 'letter of the maker, 3 March 2026' }],
};
export const cloverPack: Item = {
  ...head('clover-pack', 'Clover pack'),
  kind: 'expansion-pack',
  massKg: 118,
  ratings: battery,
  needs: [{ itemId: 'clover-lead', quantity: 1, forEach: 1 }],
};
/** Enclosure with bypass and ports for solar, generator and a controlled load. */
export const cloverHub: Item = {
  ...head('clover-hub', 'Clover hub'),
  kind: 'isolating-device',
  ratings: {
    form: 'gateway',
    ratedA: 175,
    poles: 2,
    automatic: true,
    switchGapMs: 31,
    bypass: true,
    solarPortA: 70,
    generatorPortA: 90,
    loadPortA: 45,
    interruptsA: 22_000,
  },
};
/** Carries an overload for some seconds, then disconnects until somebody resets it. */
export const daisy: Item = {
  ...head('daisy-23', 'Daisy 23'),
  kind: 'battery-inverter',
  ratings: {
    ...inverter,
    systems: ['single-230'],
    output: 'one',
    continuousVA: 2300,
    continuousW: null,
    perLegVA: 2300,
    maxParallel: 1,
    overload: [{ apparentPowerVA: 3700, durationS: 4 }],
    retryTries: 0,
    neutralA: null,
    ...battery,
    nameplateWh: 3900,
    usableWh: 3500,
  },
};
/** Two share one bank of 6 V blocks in series, with several charge controllers. */
export const rush: Item = {
  ...head('rush-44', 'Rush 44'),
  kind: 'inverter-charger',
  ratings: { ...inverter, continuousVA: 4400, continuousW: null, perLegVA: 2200, solarAcBreakerA: 30 },
  goesWith: [
    { itemId: 'rush-block', least: 8, most: 24, step: 8, per: 'together' },
    { itemId: 'rush-controller', least: 0, most: 4, step: 1, per: 'together' },
  ],
};
export const rushBlock: Item = {
  ...head('rush-block', 'Rush block'),
  kind: 'lead-acid-battery',
  massKg: 54,
  ratings: {
    ...battery,
    chemistry: 'lead-acid',
    nominalVoltageV: 6,
    nameplateWh: null,
    ratedAh: 390,
    ratedHours: 20,
    usableWh: null,
    peukertExponent: 1.22,
    retentionShare: 0.8,
    retentionYears: 4,
  },
};
export const rushController: Item = {
  ...head('rush-controller', 'Rush controller'),
  kind: 'charge-controller',
  ratings: { arrayW: 4300, outputA: 75, batteryV: 48, mostDcV: 230, inputs: 1, inputA: 60 },
};
/** One to six modules under one controller. */
export const sedge: Item = {
  ...head('sedge-97', 'Sedge 97'),
  kind: 'hybrid-inverter',
  ratings: {
    ...inverter,
    systems: ['three-230-400'],
    output: 'three',
    continuousVA: 9700,
    continuousW: null,
    perLegVA: null,
    overload: [],
    solarDcW: 14_200,
    solarAcBreakerA: null,
    maxParallel: 1,
  },
  goesWith: [{ itemId: 'sedge-module', least: 1, most: 6, step: 1, per: 'each' }],
  needs: [{ itemId: 'sedge-controller', quantity: 1, forEach: null }],
};
export const sedgeModule: Item = {
  ...head('sedge-module', 'Sedge module'),
  kind: 'battery-module',
  ratings: {
    ...battery,
    nameplateWh: 3300,
    usableWh: 3000,
    dischargePowerW: 2900,
    peakPowerW: 4100,
    batteryChargeW: 2100,
  },
  needs: [{ itemId: 'clover-lead', quantity: 2, forEach: 3 }],
};
/** Two packs of over 300 lb. */
export const ivyPack: Item = {
  ...head('ivy-pack', 'Ivy pack'),
  kind: 'battery-module',
  massKg: 143.3,
  ratings: { ...battery, nameplateWh: 19_300, usableWh: 17_600 },
};
export const ivy: Item = {
  ...head('ivy-118', 'Ivy 118'),
  kind: 'hybrid-inverter',
  ratings: {
    ...inverter,
    continuousVA: 11_800,
    continuousW: null,
    perLegVA: 6100,
    overload: [],
    solarDcW: 16_700,
  },
  goesWith: [{ itemId: 'ivy-pack', least: 2, most: 2, step: 1, per: 'each' }],
};
const part = (id: string, name: string): Item => ({ ...head(id, name), kind: 'other', ratings: {} });

/** A list that is whole in itself. */
export const companyItems: readonly Item[] = [
  clover,
  cloverPack,
  cloverHub,
  daisy,
  rush,
  rushBlock,
  rushController,
  sedge,
  sedgeModule,
  part('sedge-controller', 'Sedge controller'),
  ivy,
  ivyPack,
  part('clover-lead', 'Battery lead'),
  {
    ...head('moss-collar', 'Moss collar'),
    kind: 'isolating-device',
    ratings: {
      form: 'at-meter',
      ratedA: 175,
      poles: 2,
      automatic: true,
      switchGapMs: null,
      bypass: false,
      solarPortA: null,
      generatorPortA: null,
      loadPortA: null,
      interruptsA: null,
    },
  },
  {
    ...head('linden-12', 'Linden 12'),
    kind: 'load-controller',
    ratings: { circuits: 12, circuitA: 27, responseS: 0.8, ownDrawW: 7 },
  },
  {
    ...head('yew-former', 'Yew former'),
    kind: 'autotransformer',
    ratings: { ratedVA: 4700, formedNeutralA: 38, idleW: 21, tripsWithLoss: true },
  },
  {
    ...head('fern-435', 'Fern 435'),
    kind: 'solar-module',
    ratings: {
      peakW: 437,
      openCircuitV: 41.3,
      shortCircuitA: 13.2,
      atPeakV: 34.6,
      voltagePerC: -0.00253,
      powerPerC: -0.00317,
    },
  },
];
