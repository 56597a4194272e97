import { type DailySettings, dailySettingsOf, type Plan, stackIn } from '../../design/index.js';
import { type Catalogue, type Stack, type StackPart } from '../../equipment/index.js';
import { type UtilityBill, utilityBill } from '../../tariff/details.js';
import { localTimes } from '../../nature/index.js';
import { demandContextOf } from '../margins/demand-context-of.js';
import { type DailyBattery, dailyBattery } from './daily-battery.js';
import type { DailyHouse, MeterYear } from './daily-house.js';
import { type Behind, dailyRulesOf, dailyYear } from './daily-year.js';
import type { PlayedYear, YearOfEnergy } from './play-year.js';

/** What a house takes and exchanges, Wh. */
export interface EnergyFlows {
  readonly loadWh: number;
  readonly sunWh: number;
  readonly importWh: number;
  readonly exportWh: number;
  /** Highest mean of an interval from the grid, W. */
  readonly peakW: number;
}

/** Energies through a year, Wh. */
export interface DailySums extends EnergyFlows {
  /** AC energy the battery gave, what left its cells for it, and what was charged from the grid. */
  readonly givenWh: number;
  readonly drawnWh: number;
  readonly chargedFromGridWh: number;
  readonly lostWh: number;
  readonly standbyWh: number;
  readonly curtailedWh: number;
  /** Share of the sun that was used on the spot, losses of storing included; null without sun. */
  readonly selfUse: number | null;
  /** Share of the load that was not bought. */
  readonly selfSufficiency: number;
}

/** Energy of a price band through a year, Wh. */
export interface BandEnergy {
  readonly band: string;
  readonly importWh: number;
  readonly exportWh: number;
}

/** What the mean day of each month looks like: means by clock hour, W, 24 for each month. */
export interface DayPictures {
  readonly loadW: Float64Array;
  readonly sunW: Float64Array;
  /** Positive = out of the battery. */
  readonly batteryW: Float64Array;
  /** Positive = from the grid. */
  readonly gridW: Float64Array;
}

/** A meter in one case. */
export interface MeterCase {
  readonly meter: string;
  readonly bill: UtilityBill | null;
  readonly bands: readonly BandEnergy[];
}

export const dailyCases = ['before', 'sun', 'design'] as const;
/** Before: what is there. Sun: with the new arrays, without the battery. Design: all of it. */
export type DailyCaseName = (typeof dailyCases)[number];

export interface DailyCase {
  readonly name: DailyCaseName;
  readonly sums: DailySums;
  /** Twelve months. */
  readonly months: readonly EnergyFlows[];
  readonly pictures: DayPictures;
  readonly meters: readonly MeterCase[];
}

/** A year of a design with the grid there. */
export interface DailyResult {
  readonly intervalMin: number;
  readonly cases: readonly DailyCase[];
  readonly settings: DailySettings;
  readonly usableWh: number;
  readonly nameplateWh: number;
  readonly billScales: readonly number[] | null;
  readonly measuredShare: number | null;
  /** It should follow prices, and a meter has none. */
  readonly lacksPrices: boolean;
  /** Names of tariffs whose place has no holidays that are known. */
  readonly holidaysUnknown: readonly string[];
}

/** Stacks by the id of their island. */
export type StacksInUse = Readonly<Record<string, readonly StackPart[]>>;

/** What is played: a house that is prepared, a plan over it, and the stacks in use. */
export interface DailyQuestion {
  readonly plan: Plan;
  readonly catalogue: Catalogue;
  readonly stacks: StacksInUse;
  /** Years the battery has aged; null = as the brief sizes it. */
  readonly ageYears: number | null;
}

/** The batteries behind a meter as one. */
function batteryBehind({ meter }: MeterYear, { plan, catalogue, stacks, ageYears }: DailyQuestion) {
  const { settings } = demandContextOf(plan);
  const aged =
    ageYears === null ? settings : { ...settings, sizeForYear: { ...settings.sizeForYear, value: ageYears } };
  const heldBack = dailySettingsOf(plan).heldBack.value;
  const found = meter.islands.flatMap(({ id }): Stack[] => {
    const parts = stacks[id];
    const assembled = parts && stackIn(plan, id, parts, catalogue);
    return assembled?.ok ? [assembled.stack] : [];
  });
  const batteries = found.map((stack) => dailyBattery(stack, aged, heldBack));
  return {
    battery: batteries.length === 0 ? null : batteries.reduce(asOne),
    solarDcW: found.reduce((sum, stack) => sum + stack.solarDcW, 0),
    nameplateWh: found.reduce((sum, stack) => sum + stack.nameplateWh, 0),
  };
}

/** Two batteries that share the work by what they give. */
function asOne(a: DailyBattery, b: DailyBattery): DailyBattery {
  const share = a.givesW + b.givesW > 0 ? a.givesW / (a.givesW + b.givesW) : 0.5;
  const mean = (one: number, other: number): number => share * one + (1 - share) * other;
  return {
    usableWh: a.usableWh + b.usableWh,
    floorWh: a.floorWh + b.floorWh,
    chargePowerW: a.chargePowerW + b.chargePowerW,
    chargeEfficiency: mean(a.chargeEfficiency, b.chargeEfficiency),
    dcChargeEfficiency: a.dcChargeEfficiency,
    givesW: a.givesW + b.givesW,
    lossPerW: mean(a.lossPerW, b.lossPerW),
    // Each carries its share of the power: squares add up to less.
    lossPerW2: share ** 2 * a.lossPerW2 + (1 - share) ** 2 * b.lossPerW2,
    standbyW: a.standbyW + b.standbyW,
  };
}

/** Plays one case of a design. */
export function dailyCase(house: DailyHouse, question: DailyQuestion, name: DailyCaseName): DailyCase {
  const { plan } = question;
  const rules = dailyRulesOf(plan);
  const isExisting = new Map(plan.sources.arrays.map(({ id, existing }) => [id, existing]));
  const played = house.meters.map((meter) => {
    const { battery, solarDcW } = batteryBehind(meter, question);
    const behind: Behind = {
      battery: name === 'design' ? battery : null,
      solarDcW,
      hasArray: (id) => name !== 'before' || isExisting.get(id) === true,
    };
    return { meter, ...dailyYear(meter, house, behind, rules) };
  });
  return { name, ...summedUp(house, played) };
}

/** Plays the cases of a design: what is there, with the new arrays alone, with everything. */
export function dailyResult(house: DailyHouse, question: DailyQuestion): DailyResult {
  const { plan } = question;
  const settings = dailySettingsOf(plan);
  const behind = house.meters.map((meter) => batteryBehind(meter, question));
  const hasNewSun = plan.sources.arrays.some(({ existing }) => !existing);
  return {
    intervalMin: house.intervalMin,
    cases: dailyCases
      .filter((name) => name !== 'sun' || hasNewSun)
      .map((name) => dailyCase(house, question, name)),
    settings,
    usableWh: behind.reduce((sum, { battery }) => sum + (battery?.usableWh ?? 0), 0),
    nameplateWh: behind.reduce((sum, { nameplateWh }) => sum + nameplateWh, 0),
    billScales: house.billScales,
    measuredShare: house.measuredShare,
    lacksPrices:
      settings.strategy.value === 'prices' &&
      house.meters.some(({ tariff }, index) => !tariff && behind[index]!.battery),
    holidaysUnknown: house.meters.flatMap(({ tariff, calendar }) =>
      tariff && calendar?.holidaysUnknown ? [tariff.name] : [],
    ),
  };
}

const noFlows = { loadWh: 0, sunWh: 0, importWh: 0, exportWh: 0, peakW: 0 };

interface PlayedMeter {
  readonly meter: MeterYear;
  readonly energies: YearOfEnergy;
  readonly played: PlayedYear;
}

function summedUp(house: DailyHouse, meters: readonly PlayedMeter[]): Omit<DailyCase, 'name'> {
  const { grid } = house.clock;
  const times = localTimes(grid.startS, grid.intervalS, grid.count, grid.zone);
  const toW = 60 / house.intervalMin;
  const pictures: DayPictures = {
    loadW: new Float64Array(288),
    sunW: new Float64Array(288),
    batteryW: new Float64Array(288),
    gridW: new Float64Array(288),
  };
  const inCell = new Float64Array(288);
  const months = Array.from({ length: 12 }, () => ({ ...noFlows }));
  for (let i = 0; i < grid.count; i += 1) {
    const cell = times.month[i]! * 24 + times.hour[i]!;
    inCell[cell]! += 1;
    let [load, sun, bought, sent, standby] = [0, 0, 0, 0, 0];
    for (const { energies, played } of meters) {
      load += energies.loadWh[i]!;
      sun += energies.sunAcWh[i]! + energies.sunDcWh[i]!;
      bought += played.importWh[i]!;
      sent += played.exportWh[i]!;
      standby += played.standbyWh / grid.count;
    }
    const month = months[times.month[i]!]!;
    month.loadWh += load;
    month.sunWh += sun;
    month.importWh += bought;
    month.exportWh += sent;
    month.peakW = Math.max(month.peakW, bought * toW);
    pictures.loadW[cell]! += (load + standby) * toW;
    pictures.sunW[cell]! += sun * toW;
    pictures.gridW[cell]! += (bought - sent) * toW;
    pictures.batteryW[cell]! += (load + standby - sun - bought + sent) * toW;
  }
  for (const series of Object.values(pictures) as Float64Array[])
    for (let cell = 0; cell < 288; cell += 1) series[cell]! /= Math.max(1, inCell[cell]!);
  const total = (of: (played: PlayedYear) => number): number =>
    meters.reduce((sum, { played }) => sum + of(played), 0);
  const year = months.reduce<EnergyFlows>(
    (sum, month) => ({
      loadWh: sum.loadWh + month.loadWh,
      sunWh: sum.sunWh + month.sunWh,
      importWh: sum.importWh + month.importWh,
      exportWh: sum.exportWh + month.exportWh,
      peakW: Math.max(sum.peakW, month.peakW),
    }),
    noFlows,
  );
  const sentFromBatteryWh = total((played) => played.sentFromBatteryWh);
  const curtailedWh = total((played) => played.curtailedWh);
  return {
    sums: {
      ...year,
      givenWh: total((played) => played.givenWh),
      drawnWh: total((played) => played.drawnWh),
      chargedFromGridWh: total((played) => played.chargedFromGridWh),
      lostWh: total((played) => played.lostWh),
      standbyWh: total((played) => played.standbyWh),
      curtailedWh,
      selfUse:
        year.sunWh > 0
          ? Math.max(0, 1 - (year.exportWh - sentFromBatteryWh + curtailedWh) / year.sunWh)
          : null,
      selfSufficiency: year.loadWh > 0 ? Math.max(0, 1 - year.importWh / year.loadWh) : 0,
    },
    months,
    pictures,
    meters: meters.map(({ meter, played }): MeterCase => ({
      meter: meter.meter.name,
      bill: meter.tariff && meter.calendar ? utilityBill(meter.tariff, meter.calendar, played) : null,
      bands: bandEnergies(meter, played),
    })),
  };
}

function bandEnergies({ tariff, calendar }: MeterYear, { importWh, exportWh }: PlayedYear): BandEnergy[] {
  if (!tariff || !calendar) return [];
  const bands = tariff.bands.map(({ name }) => ({ band: name, importWh: 0, exportWh: 0 }));
  for (let i = 0; i < calendar.grid.count; i += 1) {
    const band = bands[calendar.band[i]!]!;
    band.importWh += importWh[i]!;
    band.exportWh += exportWh[i]!;
  }
  return bands;
}
