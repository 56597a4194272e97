import type { Tier } from '../../house/index.js';
import { minutesOfYear } from './minutes.js';
import { OutageDiary } from './outage-diary.js';
import { outagePlan, type OutageYear } from './outage-plan.js';
import type { OutageRun } from './outage-run.js';
import { at, causes, dark, engine, flow } from './outage-state.js';
import { OutageStepper } from './outage-stepper.js';
import { TierAccount } from './tier-account.js';
import { wantedByTier } from './wanted-by-tier.js';

/** Frequency rises by so much until solar inverters give nothing (common practice, no source), Hz. */
export const frequencyShiftHz = 1.5;

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
  const minutes = outageMinutes + year.stack.gridReturnMin;
  const hourStart = Math.floor(fromMinute / 60) * 60;
  const lead = fromMinute - hourStart;
  const plan = outagePlan(year, hourStart, minutes + lead);
  const stepper = new OutageStepper(plan);
  const { state, flows } = stepper;
  const { usableWh } = year.hardware;
  const nominalHz = year.context.plan.supply.frequencyHz;
  const series = (): Float32Array => new Float32Array(minutes);
  const run = {
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
  const accounts = wantedByTier(plan, lead, minutes).map((wish) => ({
    tier: wish.tier,
    account: new TierAccount(wish, minutes),
  }));
  stepper.begin(lead, chargeWh);
  const diary = new OutageDiary(year, stepper, fromMinute);
  let lowestCharge = chargeWh / usableWh;
  let worstImbalance = 0;
  let generatorMin = 0;
  const sum = { sunWh: 0, sunUsedWh: 0, generatorWh: 0, fuelL: 0 };
  for (let index = 0; index < minutes; index += 1) {
    const beforeWh = state[at.chargeWh]!;
    if (index === outageMinutes) diary.note(index, 'grid-back');
    stepper.step(index + lead);
    diary.observe(index);
    const cause = causes[state[at.cause]!]!;
    const beside = state[at.engine] === engine.running;
    for (const { account } of accounts)
      account.book(index, state[at.stage]!, state[at.servedShare]!, cause, beside);
    const hourOfYear = Math.floor(((fromMinute + index) % minutesOfYear) / 60);
    run.standbyW[index] = flows[flow.standbyW]!;
    run.sunW[index] = flows[flow.sunW]!;
    run.sunUsedW[index] = flows[flow.sunUsedW]!;
    run.generatorW[index] = flows[flow.generatorW]!;
    run.batteryW[index] = flows[flow.drainW]! - flows[flow.storedW]!;
    run.charge[index] = state[at.chargeWh]! / usableWh;
    run.outdoorC[index] = year.weather.temperatureC[hourOfYear]!;
    run.batteryC[index] = year.batteryC[hourOfYear]!;
    run.frequencyHz[index] =
      state[at.dark] === dark.lit ? nominalHz + frequencyShiftHz * flows[flow.heldBackShare]! : 0;
    worstImbalance = Math.max(worstImbalance, imbalance(flows, beforeWh - state[at.chargeWh]!));
    sum.sunWh += flows[flow.sunW]! / 60;
    sum.sunUsedWh += flows[flow.sunUsedW]! / 60;
    sum.generatorWh += flows[flow.generatorW]! / 60;
    sum.fuelL += flows[flow.fuelL]!;
    if (state[at.engine] === engine.running) generatorMin += 1;
    lowestCharge = Math.min(lowestCharge, run.charge[index]!);
  }
  diary.note(minutes, 'resynchronised');
  const byTier = (of: (account: TierAccount) => Float32Array): Record<Tier, Float32Array> =>
    Object.fromEntries(accounts.map(({ tier, account }) => [tier, of(account)])) as Record<
      Tier,
      Float32Array
    >;
  return {
    fromMinute,
    minutes,
    outageMinutes,
    servedW: byTier(({ servedW }) => servedW),
    unservedW: byTier(({ unservedW }) => unservedW),
    ...run,
    events: diary.events,
    tiers: accounts.map(({ account }) => account.result()),
    survivedMin: Math.min(minutes, diary.survivedMin),
    cause: diary.cause,
    sunWh: sum.sunWh,
    sunWastedWh: sum.sunWh - sum.sunUsedWh,
    generatorH: generatorMin / 60,
    generatorWh: sum.generatorWh,
    fuelL: sum.fuelL,
    lowestCharge,
    worstImbalance,
  };
}

/** What went in and what came out of a minute, apart, relative to what flowed. */
function imbalance(flows: Float64Array, fromChargeWh: number): number {
  const inW = flows[flow.sunUsedW]! + flows[flow.generatorW]! + flows[flow.vehicleOutW]! + fromChargeWh * 60;
  const outW = flows[flow.servedW]! + flows[flow.standbyW]! + flows[flow.vehicleInW]! + flows[flow.lossW]!;
  const through = Math.max(1, flows[flow.sunUsedW]! + flows[flow.generatorW]! + flows[flow.drainW]!);
  return Math.abs(inW - outW) / through;
}
