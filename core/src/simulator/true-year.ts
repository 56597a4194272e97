import type { OutageYear, TracedLoad } from '../study/details.js';
import type { SimulatedFault } from './faults.js';
import type { HiddenTruth } from './hidden-truth.js';

/** An inverter that trips early does so at this share of its rating. */
const earlyShare = 0.4;

const timesAll = (series: Float32Array, times: number): Float32Array => series.map((value) => value * times);

/** A load as it really is. */
const trueLoad = (one: TracedLoad, times: number): TracedLoad => ({
  ...one,
  powerW: one.powerW * times,
  powerVA: one.powerVA * times,
  legVA: one.legVA.map((va) => va * times),
});

/** A prepared year of outages as the house really is: other capacity, efficiencies, stand-by, sun and loads, and what is broken. */
export function trueYear(
  year: OutageYear,
  truth: HiddenTruth,
  faults: ReadonlySet<SimulatedFault>,
  batteries: number,
): OutageYear {
  const { hardware, sun, house } = year;
  const answering = faults.has('battery-missing') && batteries > 1 ? (batteries - 1) / batteries : 1;
  const energy = truth.capacityTimes * answering;
  const early = <
    A extends { readonly levels: readonly { readonly aboveVA: number; readonly heldS: number }[] },
  >(
    axes: readonly A[],
  ): A[] =>
    axes.map((axis) => ({
      ...axis,
      levels: axis.levels.map((level) => ({ ...level, aboveVA: level.aboveVA * earlyShare })),
    }));
  const trips = faults.has('trips-early');
  const sunTimes = truth.sunTimes;
  const away = faults.has('solar-stays-away');
  return {
    ...year,
    hardware: {
      ...hardware,
      usableWh: hardware.usableWh * energy,
      startWh: hardware.startWh * energy,
      keptWh: hardware.keptWh * energy,
      agedWh: hardware.agedWh * energy,
      chargeTaperFromWh: hardware.chargeTaperFromWh * energy,
      dischargeTaperBelowWh: hardware.dischargeTaperBelowWh * energy,
      restoreAboveWh: hardware.restoreAboveWh * energy,
      dischargePowerW: hardware.dischargePowerW * answering,
      chargePowerW: hardware.chargePowerW * answering,
      dischargeEfficiency: hardware.dischargeEfficiency * truth.dischargeTimes,
      lossPerW: (1 + hardware.lossPerW) / truth.dischargeTimes - 1,
      chargeEfficiency: Math.min(1, hardware.chargeEfficiency * truth.chargeTimes),
      standbyW: Math.max(0, hardware.standbyW + truth.standbyMoreW),
      generator: faults.has('generator-silent') ? null : hardware.generator,
      axes: trips ? early(hardware.axes) : hardware.axes,
      axesBeside: trips && hardware.axesBeside ? early(hardware.axesBeside) : hardware.axesBeside,
    },
    thresholdsWh: year.thresholdsWh.map((wh) => wh * energy),
    sun: {
      ...sun,
      acW: timesAll(sun.acW, away ? 0 : sunTimes),
      dcW: timesAll(sun.dcW, sunTimes),
      sooner: sun.sooner.map((one) => ({ ...one, acW: timesAll(one.acW, away ? 0 : sunTimes) })),
    },
    house: { ...house, loads: house.loads.map((one) => trueLoad(one, truth.loadTimes(one.load.id))) },
  };
}
