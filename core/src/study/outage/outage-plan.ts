import { keepNewest } from '../../base/index.js';
import { type StackClimate, stackClimate } from '../../placement/index.js';
import { hoursOfYear, type WeatherYear } from '../../nature/index.js';
import {
  batteryTemperaturesC,
  chargeShareAt,
  chargeTaper,
  dcChargeEfficiency,
  dischargeShareAt,
  dischargeTaper,
} from '../../electric/index.js';
import { type Battery, mostPowerW, peukertDrainW, type Stack } from '../../equipment/index.js';
import { type Generator, offWhileItRuns, outageSettingsOf, type Vehicle } from '../../design/index.js';
import type { DemandContext } from '../margins/demand-context.js';
import { stackEnergy } from '../margins/stack-energy.js';
import { dayFactors } from './day-factors.js';
import type { DemandSum } from './demand-sum.js';
import { demandTrace, type DemandTrace, withManaged } from './demand-trace.js';
import { axesBeside } from './axes-beside.js';
import { overloadAxes, type OverloadAxis } from '../output/overload-axes.js';
import type { YearSource } from './kept-year.js';
import { overloadMinutes } from './overload-minutes.js';
import { PickupMarks } from './pickup-marks.js';
import { hourlyArrayW, sunTrace, type SunTrace } from './sun-trace.js';
import { traceHouse, type TracedHouse } from './traced-house.js';

/** What the hardware of an outage can do; numbers only, so that the inner loop needs nothing else. */
export interface OutageHardware {
  readonly usableWh: number;
  readonly startWh: number;
  /** At this charge the house goes dark, Wh. */
  readonly keptWh: number;
  readonly chargePowerW: number;
  readonly chargeEfficiency: number;
  readonly chargeTaperFromWh: number;
  readonly chargeAtFull: number;
  readonly dischargePowerW: number;
  /** Share of what comes in at the solar inputs that the cells take up. */
  readonly dcChargeEfficiency: number;
  readonly dischargeEfficiency: number;
  /** Losses from direct current to AC, see {@link dcOfAcW}. */
  readonly lossPerW: number;
  readonly lossPerW2: number;
  readonly dischargeTaperBelowWh: number;
  readonly dischargeAtEmpty: number;
  readonly standbyW: number;
  readonly peukert: Battery['peukert'];
  readonly agedWh: number;
  readonly retryTries: number;
  /** Retries that pass within a minute. */
  readonly retriesPerMinute: number;
  /** Minutes from one retry to the next, at least one. */
  readonly retryAfterMin: number;
  /** Until a locked-out inverter is reset, min; Infinity where nobody does it. */
  readonly resetAfterMin: number;
  readonly restoreAboveWh: number;
  readonly generator: Generator | null;
  readonly vehicle: Vehicle | null;
  readonly axes: readonly OverloadAxis[];
  /** The limits while a generator runs beside the inverter; null without one. */
  readonly axesBeside: readonly OverloadAxis[] | null;
}

/** Everything that happens from outside, minute by minute, and the hardware it happens to. */
export interface OutagePlan {
  readonly hardware: OutageHardware;
  readonly house: TracedHouse;
  readonly trace: DemandTrace;
  /** By stage of shedding: 0, or the axis that trips, plus one. */
  readonly overloads: readonly Uint8Array[];
  /** The same while a generator helps. */
  readonly overloadsBeside: readonly Uint8Array[];
  /** Demand while a generator runs: without what is switched off by hand for it. The demand of the trace where nothing is. */
  readonly besideW: readonly Float64Array[];
  readonly offBeside: OutageYear['offBeside'];
  /** Does the restart of everything after the gap trip it? By minute of the window. */
  readonly pickups: Pick<PickupMarks, 'at'>;
  /** Charge below which each stage but the first begins, Wh. */
  readonly thresholdsWh: Float64Array;
  readonly sun: SunTrace;
  /** Share of the charging and discharging power by hour of the year, and the temperature behind them. */
  readonly chargeShare: Float32Array;
  readonly dischargeShare: Float32Array;
  readonly batteryC: Float64Array;
  /** What heaters of the batteries draw by hour of the year, W; null = none does. */
  readonly heaterW: Float32Array | null;
}

/** What stays the same for every window of a year. */
export interface OutageYear {
  readonly context: DemandContext;
  readonly stack: Stack;
  readonly weather: WeatherYear;
  readonly hardware: OutageHardware;
  readonly house: TracedHouse;
  /** Ids of the loads that are switched off by hand while a generator runs. */
  readonly offBeside: ReadonlySet<string>;
  readonly sun: SunTrace;
  readonly thresholdsWh: Float64Array;
  readonly chargeShare: Float32Array;
  readonly dischargeShare: Float32Array;
  readonly batteryC: Float64Array;
  readonly heaterW: Float32Array | null;
}

/** What an outage is played with: the units of a stack under the settings of a plan, Wh and W. */
export function hardwareOf(context: DemandContext, stack: Stack): OutageHardware {
  const { plan, settings } = context;
  const said = outageSettingsOf(plan);
  const energy = stackEnergy(stack, settings);
  const { usableWh } = energy;
  const charge = chargeTaper[stack.chemistry];
  const { generator } = plan.sources;
  const axes = overloadAxes(stack, plan.supply.system);
  const discharge = dischargeTaper[stack.chemistry];
  return {
    usableWh,
    startWh: usableWh * said.startCharge.value,
    keptWh: usableWh * said.keptForRestart.value,
    chargePowerW: stack.chargePowerW,
    chargeEfficiency: stack.chargeEfficiency,
    chargeTaperFromWh: usableWh * charge.fromShare,
    chargeAtFull: charge.atFull,
    dischargePowerW: mostPowerW(stack) / stack.dischargeEfficiency,
    dcChargeEfficiency,
    dischargeEfficiency: stack.dischargeEfficiency,
    ...stack.losses,
    dischargeTaperBelowWh: usableWh * discharge.belowShare,
    dischargeAtEmpty: discharge.atEmpty,
    standbyW: stack.standbyW,
    peukert: stack.batteries[0]!.unit.battery!.peukert,
    agedWh: energy.agedWh,
    retryTries: stack.retry.tries,
    retriesPerMinute: Math.max(1, Math.floor(60 / Math.max(1, stack.retry.afterS))),
    retryAfterMin: Math.max(1, Math.ceil(stack.retry.afterS / 60)),
    resetAfterMin: settings.handsOn.value ? said.resetAfterMin.value : Infinity,
    restoreAboveWh: usableWh * said.restoreAbove.value,
    generator,
    vehicle: plan.sources.vehicle,
    axes,
    axesBeside: generator && axesBeside(axes, generator, plan.supply.system),
  };
}

/** Stacks whose overloads are kept: those in use and the last that were tried. */
const mostOverloads = 4;

/** A share by hour of the year; a battery keeps its temperature for a day at least. */
function hourlyShare(batteryC: Float64Array, shareAt: (c: number) => number): Float32Array {
  const shares = new Float32Array(hoursOfYear);
  for (let hour = 0; hour < hoursOfYear; hour += 1) {
    shares[hour] =
      hour > 0 && batteryC[hour] === batteryC[hour - 1] ? shares[hour - 1]! : shareAt(batteryC[hour]!);
  }
  return shares;
}

/**
 * Prepares a year of outages for a job and a stack under a year of weather.
 *
 * @param kept what is known already of this very weather
 */
export function outageYear(
  context: DemandContext,
  stack: Stack,
  weather: WeatherYear,
  kept?: YearSource,
): OutageYear {
  const { plan, settings } = context;
  const { outage, supply } = plan;
  const hardware = hardwareOf(context, stack);
  const house = traceHouse(supply.system, context.members, {
    seed: outage.seed,
    latitudeDeg: weather.latitudeDeg,
    factors: kept ? kept.factors : dayFactors(weather),
    household: outage.household,
    handsOn: settings.handsOn.value,
    ...(kept ? { cyclesOf: kept.cyclesOf } : {}),
  });
  const limits = { ...stack, system: supply.system };
  const said = outageSettingsOf(plan);
  const place = said.batteryPlace.value;
  const { arrays } = plan.sources;
  const climate = stackClimate(plan, stack, weather) ?? saidClimate();
  function saidClimate(): StackClimate {
    const batteryC = batteryTemperaturesC(place, settings.batteryTemperatureC.value, weather);
    return {
      chargeShare: hourlyShare(batteryC, (c) => chargeShareAt(stack.chemistry, c)),
      dischargeShare: hourlyShare(batteryC, (c) => dischargeShareAt(stack.chemistry, c)),
      batteryC,
      heaterW: null,
    };
  }
  return {
    context,
    stack,
    weather,
    hardware,
    house,
    offBeside: offWhileItRuns(plan),
    sun: kept
      ? kept.sun(arrays, said.snow.value, limits)
      : sunTrace(arrays, limits, (array) => hourlyArrayW(array, weather, said.snow.value)),
    thresholdsWh: Float64Array.from(house.thresholds, (share) => share * hardware.usableWh),
    ...climate,
  };
}

/**
 * Works out demand, overloads and pickups for a window of a prepared year.
 *
 * @param sum demand of the window, where it is known already: of the loads that are on in any case
 * @param fuller the same with some loads more, where that is known: it overloads wherever this one does
 */
export function outagePlan(
  year: OutageYear,
  fromMinute: number,
  minutes: number,
  sum?: DemandSum,
  fuller: Pick<OutagePlan, 'overloads' | 'overloadsBeside'> | null = null,
): OutagePlan {
  const { hardware, house, stack } = year;
  const [, leg] = hardware.axes;
  // A device that looks for room measures current, and knows nothing of how far it lags.
  const limit = { wholeVA: mostPowerW(stack), legVA: leg!.levels[0]!.aboveVA };
  const trace = sum ? withManaged(house, sum, limit) : demandTrace(house, { fromMinute, minutes }, limit);
  const marks = (axes: readonly OverloadAxis[], within: readonly Uint8Array[] | null): Uint8Array[] => {
    // What runs where there is room is not in the sum.
    if (!sum || trace.managed.length > 0) return overloadMinutes(house, trace, axes, within);
    return keepNewest(sum.overloads, JSON.stringify(axes), mostOverloads, () =>
      overloadMinutes(house, trace, axes, within),
    );
  };
  const overloads = marks(hardware.axes, fuller && fuller.overloads);
  const { offBeside } = year;
  const bare = { ...house, loads: house.loads.filter(({ load }) => !offBeside.has(load.id)) };
  const besides = (): Pick<OutagePlan, 'overloadsBeside' | 'besideW'> => {
    const within = fuller && fuller.overloadsBeside;
    if (hardware.axesBeside === null) return { overloadsBeside: overloads, besideW: trace.demandW };
    if (bare.loads.length === house.loads.length)
      return { overloadsBeside: marks(hardware.axesBeside, within), besideW: trace.demandW };
    const beside = demandTrace(bare, { fromMinute: trace.fromMinute, minutes: trace.minutes }, limit);
    return {
      overloadsBeside: overloadMinutes(bare, beside, hardware.axesBeside, within),
      besideW: beside.demandW,
    };
  };
  return {
    ...year,
    trace,
    overloads,
    ...besides(),
    pickups: new PickupMarks(house, trace, hardware.axes, stack.transferGapMs),
  };
}

/** How fast a battery loses charge at a power, see {@link peukertDrainW}. */
export const drainOf = (hardware: OutageHardware, powerW: number): number =>
  hardware.peukert === null ? powerW : peukertDrainW(powerW, hardware.agedWh, hardware.peukert);
