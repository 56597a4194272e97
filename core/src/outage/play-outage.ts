import type { Tier } from '../load/load.schema.js';
import { minutesOfYear } from './minutes.js';
import { eachSpan } from './demand-trace.js';
import { outagePlan, type OutageYear } from './outage-plan.js';
import { at, causes, dark, engine, flow, OutageStepper, type Cause } from './outage-stepper.js';

/** What happens in an outage, in the words of the trade. */
export type OutageEventKind =
  | 'transfer'
  | 'solar-back'
  | 'shed'
  | 'restored'
  | 'full'
  | 'generator-called'
  | 'generator-on'
  | 'generator-off'
  | 'trip'
  | 'reconnected'
  | 'locked-out'
  | 'empty'
  | 'lit-again'
  | 'vehicle-feeds'
  | 'too-cold'
  | 'grid-back'
  | 'resynchronised';

export interface OutageEvent {
  /** Minutes since the outage began. */
  readonly minute: number;
  readonly kind: OutageEventKind;
  /** What it is about: names of circuits' loads, a cause; '' where nothing more is to say. */
  readonly what: string;
}

/** What one tier got out of an outage. */
export interface TierResult {
  readonly tier: Tier;
  readonly servedWh: number;
  readonly unservedWh: number;
  /** Hours in which everything the tier wanted was served. */
  readonly servedH: number;
  /** Hours until something of it was first not served; null = never. */
  readonly firstFailureH: number | null;
}

/** The tiers an outage serves, in the order they are drawn. */
export const servedTiers = ['must', 'should', 'may', 'never'] as const satisfies readonly Tier[];

/** An outage, minute by minute. All powers in W, means of a minute. */
export interface OutageRun {
  /** Minute of the year at which it begins, and its length until the house is on the grid again. */
  readonly fromMinute: number;
  readonly minutes: number;
  /** Of them, without the grid; then it is watched until the house returns to it. */
  readonly outageMinutes: number;
  readonly servedW: Readonly<Record<Tier, Float32Array>>;
  readonly unservedW: Readonly<Record<Tier, Float32Array>>;
  readonly standbyW: Float32Array;
  readonly sunW: Float32Array;
  readonly sunUsedW: Float32Array;
  readonly generatorW: Float32Array;
  /** Out of the battery positive, into it negative. */
  readonly batteryW: Float32Array;
  /** Share of the usable energy at the end of each minute. */
  readonly charge: Float32Array;
  /** Of the island, Hz; 0 while dark. */
  readonly frequencyHz: Float32Array;
  readonly outdoorC: Float32Array;
  readonly batteryC: Float32Array;
  readonly events: readonly OutageEvent[];
  readonly tiers: readonly TierResult[];
  /** Minutes until the house first went dark for want of energy or was locked out; the length where it didn't. */
  readonly survivedMin: number;
  readonly cause: Cause;
  readonly sunWh: number;
  readonly sunWastedWh: number;
  readonly generatorH: number;
  readonly generatorWh: number;
  readonly fuelL: number;
  readonly lowestCharge: number;
  /** Largest difference of what went in and what came out in any minute, relative to what went in. */
  readonly worstImbalance: number;
}

/** Frequency rises by so much until solar inverters give nothing (common practice, no source), Hz. */
export const frequencyShiftHz = 1.5;

/** The grid is watched for so long before the house returns to it (IEEE 1547-2018, enter-service delay; recalled), min. */
export const resynchronisingMin = 5;

/**
 * Plays one outage, minute by minute, and writes down everything.
 *
 * @param fromMinute minute of the year at which the grid goes away
 * @param outageMinutes how long it stays away
 */
export function playOutage(
  year: OutageYear,
  fromMinute: number,
  outageMinutes: number,
  chargeWh = year.hardware.startWh,
): OutageRun {
  const minutes = outageMinutes + resynchronisingMin;
  const hourStart = Math.floor(fromMinute / 60) * 60;
  const lead = fromMinute - hourStart;
  const plan = outagePlan(year, hourStart, minutes + lead);
  const stepper = new OutageStepper(plan);
  const { state, flows } = stepper;
  const nominalHz = year.context.job.supply.frequencyHz;
  const series = (): Float32Array => new Float32Array(minutes);
  const byTier = (): Record<Tier, Float32Array> => ({
    must: series(),
    should: series(),
    may: series(),
    never: series(),
  });
  const run = {
    servedW: byTier(),
    unservedW: byTier(),
    standbyW: series(),
    sunW: series(),
    sunUsedW: series(),
    generatorW: series(),
    batteryW: series(),
    charge: series(),
    frequencyHz: series(),
    outdoorC: series(),
    batteryC: series(),
  };
  // What each tier wants, by the stage from which on it is shed.
  const stageCount = plan.trace.demandW.length;
  const wanted = servedTiers.map((tier) => ({
    tier,
    byStage: Array.from({ length: stageCount + 1 }, series),
  }));
  for (const load of year.house.loads) {
    const managed = plan.trace.managed.find(({ load: other }) => other === load)?.on;
    const lists = wanted.find(({ tier }) => tier === load.tier)!.byStage;
    const own = lists[Math.min(load.offFromStage, stageCount)]!;
    const { unservedW } = run;
    eachSpan(load.cycles, hourStart, minutes + lead, (from, to) => {
      for (let m = Math.floor(from); m < Math.ceil(to); m += 1) {
        const index = m - lead;
        if (index < 0 || index >= minutes) continue;
        const powerW = load.powerW * (Math.min(to, m + 1) - Math.max(from, m));
        if (managed && managed[m] !== 1) unservedW[load.tier][index]! += powerW;
        else own[index]! += powerW;
      }
    });
  }
  const namesAt = (stage: number): string =>
    year.house.loads
      .filter(({ offFromStage }) => offFromStage === stage)
      .map(({ load }) => load.name)
      .join(', ');
  const events: OutageEvent[] = [{ minute: 0, kind: 'transfer', what: '' }];
  const note = (minute: number, kind: OutageEventKind, what = ''): void =>
    void events.push({ minute, kind, what });
  stepper.begin(lead, chargeWh);
  let survivedMin = minutes;
  let cause: Cause = 'none';
  const failed = (minute: number): void => {
    if (survivedMin < minutes || cause !== 'none') return;
    survivedMin = minute;
    cause = causes[state[at.cause]!]!;
  };
  if (state[at.dark] === dark.lockedOut) {
    note(0, 'locked-out', 'starting');
    failed(0);
  }
  let wasFull = state[at.chargeWh]! >= year.hardware.usableWh;
  let solarBack = false;
  let vehicleFeeds = false;
  let lowestCharge = state[at.chargeWh]! / year.hardware.usableWh;
  let worstImbalance = 0;
  let sunWh = 0;
  let sunUsedWh = 0;
  let generatorWh = 0;
  let generatorMin = 0;
  let fuelL = 0;
  for (let index = 0; index < minutes; index += 1) {
    const was = {
      dark: state[at.dark]!,
      stage: state[at.stage]!,
      engine: state[at.engine]!,
      chargeWh: state[at.chargeWh]!,
      vehicleWh: state[at.vehicleWh]!,
    };
    stepper.step(index + lead);
    const hourOfYear = Math.floor(((fromMinute + index) % minutesOfYear) / 60);
    const share = state[at.servedShare]!;
    const stage = state[at.stage]!;
    for (const { tier, byStage } of wanted) {
      let on = 0;
      let off = 0;
      byStage.forEach((values, from) => {
        if (from > stage || from === stageCount) on += values[index]!;
        else off += values[index]!;
      });
      run.servedW[tier][index] = on * share;
      run.unservedW[tier][index]! += off + on * (1 - share);
    }
    run.standbyW[index] = flows[flow.standbyW]!;
    run.sunW[index] = flows[flow.sunW]!;
    run.sunUsedW[index] = flows[flow.sunUsedW]!;
    run.generatorW[index] = flows[flow.generatorW]!;
    run.batteryW[index] = flows[flow.drainW]! - flows[flow.storedW]!;
    run.charge[index] = state[at.chargeWh]! / year.hardware.usableWh;
    run.outdoorC[index] = year.weather.temperatureC[hourOfYear]!;
    run.batteryC[index] = year.batteryC[hourOfYear]!;
    const lit = state[at.dark] === dark.lit;
    run.frequencyHz[index] = lit ? nominalHz + frequencyShiftHz * flows[flow.heldBackShare]! : 0;
    const inW =
      flows[flow.sunUsedW]! +
      flows[flow.generatorW]! +
      flows[flow.vehicleOutW]! +
      (was.chargeWh - state[at.chargeWh]!) * 60;
    const outW = flows[flow.servedW]! + flows[flow.standbyW]! + flows[flow.vehicleInW]! + flows[flow.lossW]!;
    const through = Math.max(1, flows[flow.sunUsedW]! + flows[flow.generatorW]! + flows[flow.drainW]!);
    worstImbalance = Math.max(worstImbalance, Math.abs(inW - outW) / through);
    sunWh += flows[flow.sunW]! / 60;
    sunUsedWh += flows[flow.sunUsedW]! / 60;
    generatorWh += flows[flow.generatorW]! / 60;
    fuelL += flows[flow.fuelL]!;
    if (state[at.engine] === engine.running) generatorMin += 1;
    lowestCharge = Math.min(lowestCharge, run.charge[index]!);

    if (index === outageMinutes) note(index, 'grid-back');
    const moment = index + share;
    if (was.dark !== dark.lit && lit) {
      note(index, was.dark === dark.tripped ? 'reconnected' : 'lit-again');
      solarBack = false;
    }
    if (stage > was.stage) for (let s = was.stage + 1; s <= stage; s += 1) note(index, 'shed', namesAt(s));
    if (stage < was.stage) for (let s = was.stage; s > stage; s -= 1) note(index, 'restored', namesAt(s));
    if (was.engine !== state[at.engine]!) {
      if (state[at.engine] === engine.called) note(index, 'generator-called');
      if (state[at.engine] === engine.running) note(index, 'generator-on');
      if (was.engine === engine.running) note(index, 'generator-off');
    }
    if (lit && !solarBack && flows[flow.sunUsedW]! > 0 && state[at.upMin]! > 0) {
      note(index, 'solar-back');
      solarBack = true;
    }
    if (flows[flow.sunW] === 0) solarBack = true;
    const full = state[at.chargeWh]! >= year.hardware.usableWh * 0.9999;
    if (full && !wasFull) note(index, 'full');
    if (full || run.charge[index]! < 0.97) wasFull = full;
    if (flows[flow.vehicleOutW]! > 0 !== vehicleFeeds) {
      vehicleFeeds = !vehicleFeeds;
      if (vehicleFeeds) note(index, 'vehicle-feeds');
    }
    if (state[at.dark] !== was.dark && !lit) {
      const why = causes[state[at.cause]!]!;
      if (state[at.dark] === dark.empty) {
        note(moment, 'empty', why);
        failed(moment);
      } else {
        if (was.dark === dark.lit) note(index, why === 'cold' ? 'too-cold' : 'trip', why);
        if (state[at.dark] === dark.lockedOut) {
          note(index, 'locked-out', why);
          failed(index);
        }
      }
    }
  }
  note(minutes, 'resynchronised');
  const tiers = servedTiers.map((tier): TierResult => {
    const served = run.servedW[tier];
    const unserved = run.unservedW[tier];
    let servedWh = 0;
    let unservedWh = 0;
    let good = 0;
    let first: number | null = null;
    for (let i = 0; i < minutes; i += 1) {
      servedWh += served[i]! / 60;
      unservedWh += unserved[i]! / 60;
      if (unserved[i]! <= 0.01) good += 1;
      else first ??= i / 60;
    }
    return { tier, servedWh, unservedWh, servedH: good / 60, firstFailureH: first };
  });
  return {
    fromMinute,
    minutes,
    outageMinutes,
    ...run,
    events,
    tiers,
    survivedMin,
    cause,
    sunWh,
    sunWastedWh: sunWh - sunUsedWh,
    generatorH: generatorMin / 60,
    generatorWh,
    fuelL,
    lowestCharge,
    worstImbalance,
  };
}
