import { seededNormal, seededRandom } from '../base/index.js';
import { systemFacts } from '../electric/index.js';
import type { Stack } from '../equipment/index.js';
import {
  at,
  dark,
  flow,
  frequencyShiftHz,
  outagePlan,
  OutageStepper,
  type OutageYear,
  resetLockOut,
  type TracedLoad,
} from '../study/details.js';
import type { SimulatedFault } from './faults.js';
import { asDesigned, type HiddenTruth } from './hidden-truth.js';
import { darkVoltages, noise, sensedW, type Voltages, voltagesOf } from './instruments.js';
import { legPowersW, runningLoads } from './running-loads.js';
import { trueYear } from './true-year.js';

/** grid = on the grid; island = off it; dark = off it and without power; watching = the grid is back and is watched. */
export type HouseState = 'grid' | 'island' | 'dark' | 'watching';

/** What stands on the instruments of a house in a second. Power is W, out of battery, grid and sun into the house. */
export interface HouseNow extends Voltages {
  /** Seconds since the simulation began. */
  readonly second: number;
  readonly state: HouseState;
  readonly isGridThere: boolean;
  readonly frequencyHz: number;
  readonly houseW: number;
  readonly legHouseW: readonly number[];
  readonly solarW: number;
  readonly batteryW: number;
  readonly generatorW: number;
  readonly gridW: number;
  /** Each leg to neutral on the grid's side of what isolates the house, V. */
  readonly gridV: readonly number[];
  readonly legGridW: readonly number[];
  /** As the battery shows it: whole percents, as a share. */
  readonly charge: number;
  /** How long the last transfer took; null = there was none yet. */
  readonly gapMs: number | null;
}

export interface SimulatedHouseOf {
  readonly year: OutageYear;
  /** Every load of the house, those that are not backed up too, as they run. */
  readonly whole: readonly TracedLoad[];
  /** How many batteries there are. */
  readonly batteries: number;
  readonly truth?: HiddenTruth;
  readonly seed: number;
  /** Minute of the year at which it begins. */
  readonly fromMinute: number;
  /** Share of the usable energy it begins with. */
  readonly charge: number;
}

/** An island is worked out for so long at a time, min. */
const windowMin = 4 * 1440;
/** A late transfer takes so many times what the data sheet says, and this long at least, ms. */
const late = { times: 30, leastMs: 2500 };
/** A clock that is off has lost so much, s. */
const clockLostS = 3 * 3600 + 17 * 60;
/** Where the data sheet says nothing (common practice, no source), ms. */
const usualGapMs = 20;
/** Heaters that were brought along are no load of the house. */
const heatersId = 'heaters';
/** From, to, min: a load that is left on. */
const wholeDay = new Float64Array([0, 1440]);
/** Watched instead, with the profile of another country, s. */
const otherProfileS = 20;

/**
 * A house in the hands of somebody who puts it into service: on the grid, off it and back, second by second. What happens on the
 * island is worked out by the same minute of physics as every outage ({@link OutageStepper}); what lies within a minute is the
 * same for all its seconds, but for the noise of the instruments. What is true differs from what was designed.
 */
export class SimulatedHouse {
  readonly faults = new Set<SimulatedFault>();
  private readonly random: () => number;
  private readonly normal: () => number;
  private readonly legs: number;
  private passed = 0;
  private solarLimit = 1;
  private isGridThere = true;
  private isMainClosed = true;
  private readonly open = new Set<string>();
  /** Loads that somebody has switched on and leaves on. */
  private readonly held = new Set<string>();
  private heatersW = 0;
  /** The year as it really is, by what is broken. */
  private readonly years = new Map<string, OutageYear>();
  private chargeWh: number;
  private gapMs: number | null = null;
  /** Since when the grid is back while the island still runs; null = it is away, or nothing is watched. */
  private watchedFrom: number | null = null;
  private island: {
    readonly stepper: OutageStepper;
    readonly beganAt: number;
    readonly windowAt: number;
  } | null = null;
  private played = -1;
  /** What the battery held when the minute of the island began, and what the whole of it changes. */
  private minute = { fromWh: 0, changeWh: 0 };

  constructor(private readonly of: SimulatedHouseOf) {
    this.random = seededRandom(of.seed);
    this.normal = seededNormal(this.random);
    this.legs = systemFacts[of.year.house.system].legs.length;
    this.chargeWh = of.charge * this.year().hardware.usableWh;
  }

  /** Loads of the house: id, name, whether what feeds it is closed. */
  loads(): { readonly id: string; readonly name: string; readonly isClosed: boolean }[] {
    return this.of.whole.map(({ load }) => ({
      id: load.id,
      name: load.name,
      isClosed: !this.open.has(load.id),
    }));
  }

  /** Heaters that were brought along take so much, spread over the legs, W; 0 = none. */
  bringHeaters(powerW: number): void {
    this.heatersW = powerW;
    this.rebuild();
  }

  /** The units it was built with. */
  get stack(): Stack {
    return this.of.year.stack;
  }

  /** Outdoors at this moment, °C. */
  get outdoorC(): number {
    const { temperatureC } = this.of.year.weather;
    const minute = this.of.fromMinute + Math.floor(this.passed / 60);
    return temperatureC[Math.floor(minute / 60) % temperatureC.length]!;
  }

  /** Seconds since the simulation began. */
  get second(): number {
    return this.passed;
  }

  /** Solar gives no more than a share of what it could, on the grid. */
  limitSolar(share: number): void {
    this.solarLimit = share;
  }

  /** What the battery really holds when it is full, Wh: nobody who commissions is told. */
  get usableWh(): number {
    return this.year().hardware.usableWh;
  }

  /** Batteries that answer: at which address, and which of them, of all counted from 0; of two with one address one after the other. */
  answeringBatteries(): { readonly address: number; readonly battery: number }[] {
    const all = Array.from({ length: this.of.batteries }, (_, place) => ({ address: place, battery: place }));
    if (this.of.batteries < 2) return all;
    if (this.faults.has('battery-missing')) all.pop();
    if (!this.faults.has('address-twice') || all.length < 2) return all;
    const [first, second, ...rest] = all as [(typeof all)[number], (typeof all)[number]];
    return [
      { address: first.address, battery: this.second % 2 === 0 ? second.battery : first.battery },
      ...rest,
    ];
  }

  /** What its clock shows less the true time, s. */
  get clockOffS(): number {
    return this.faults.has('clock-off') ? -clockLostS : 0;
  }

  /** Is this answer one that gets lost on the way? Every third is, where the network is flaky. */
  loses(answer: number): boolean {
    return this.faults.has('flaky-network') && answer % 3 === 0;
  }

  /** What it holds now, Wh: nor of this. */
  get heldWh(): number {
    return this.chargeWh;
  }

  /** Takes the grid away before the main switch, or gives it back. */
  switchGrid(isThere: boolean): void {
    this.isGridThere = isThere;
    this.follow();
  }

  /** Opens the main switch of the house, which separates it from the grid as well. */
  switchMain(isClosed: boolean): void {
    this.isMainClosed = isClosed;
    this.follow();
  }

  /** Opens or closes what feeds a load; false = there is no such load. */
  switchLoad(loadId: string, isClosed: boolean): boolean {
    if (!this.of.whole.some(({ load }) => load.id === loadId)) return false;
    if (isClosed) this.open.delete(loadId);
    else this.open.add(loadId);
    this.rebuild();
    return true;
  }

  /** Switches a load on and leaves it on, or leaves it to the household again; false = there is no such load. */
  runLoad(loadId: string, isHeldOn: boolean): boolean {
    if (!this.of.whole.some(({ load }) => load.id === loadId)) return false;
    if (isHeldOn) this.held.add(loadId);
    else this.held.delete(loadId);
    this.rebuild();
    return true;
  }

  /** Starts an inverter again that has tripped too often. */
  reset(): void {
    if (this.island) resetLockOut(this.island.stepper.state);
  }

  inject(fault: SimulatedFault, isThere: boolean): void {
    if (isThere) this.faults.add(fault);
    else this.faults.delete(fault);
    this.chargeWh = Math.min(this.chargeWh, this.year().hardware.usableWh);
    this.rebuild();
  }

  /** Lets time pass. */
  advance(seconds: number): void {
    for (let i = 0; i < seconds; i += 1) this.pass();
  }

  /** What the instruments show now. */
  now(): HouseNow {
    const { island } = this;
    // Until it has transferred nobody is fed: a second and more of it is seen.
    const isInGap = island !== null && (this.second - island.beganAt + 0.5) * 1000 < (this.gapMs ?? 0);
    const isDark = isInGap || (island !== null && island.stepper.state[at.dark] !== dark.lit);
    const noisy = (value: number): number => value * (1 + noise.power * this.normal());
    const legW = this.runningW().map((watts) => (isDark ? 0 : watts));
    const sum = legW.reduce((all, one) => all + one, 0);
    const flows = island?.stepper.flows;
    // What is served in the minute, on the legs as its loads are.
    const houseW = flows ? (isDark ? 0 : flows[flow.servedW]!) : sum;
    const legHouseW = legW.map((one) => (sum > 0 ? (one / sum) * houseW : 0));
    const solarW = flows ? this.islandSunW(flows) : this.sunW();
    const generatorW = flows ? flows[flow.generatorW]! : 0;
    const batteryW = flows ? (isDark ? 0 : houseW - solarW - generatorW) : this.onGridBatteryW();
    const gridW = island ? 0 : houseW - solarW - batteryW + this.year().hardware.standbyW;
    const legGridW = sensedW(
      legHouseW.map((one) => (island ? 0 : one + (gridW - houseW) / this.legs)),
      this.faults,
    );
    const { system } = this.of.year.house;
    const hasNeutral = island === null || !this.faults.has('neutral-open');
    const voltages = isDark
      ? darkVoltages(system)
      : voltagesOf(system, legHouseW, hasNeutral, (value) => value * (1 + noise.voltage * this.normal()));
    const { frequencyHz } = this.of.year.context.plan.supply;
    const shift =
      flows && !this.faults.has('solar-holds-on') ? frequencyShiftHz * flows[flow.heldBackShare]! : 0;
    return {
      second: this.second,
      state: island ? (isDark ? 'dark' : this.watchedFrom === null ? 'island' : 'watching') : 'grid',
      isGridThere: this.isGridThere,
      frequencyHz: isDark ? 0 : frequencyHz + shift + noise.hz * this.normal(),
      ...voltages,
      houseW: noisy(houseW),
      legHouseW: legHouseW.map(noisy),
      solarW: noisy(solarW),
      batteryW: noisy(batteryW),
      generatorW: noisy(generatorW),
      gridW: noisy(legGridW.reduce((all, one) => all + one, 0)),
      legGridW: legGridW.map(noisy),
      charge: this.shownCharge(),
      gridV: systemFacts[system].legs.map(() =>
        this.isGridThere ? systemFacts[system].legVoltageV * (1 + noise.voltage * this.normal()) : 0,
      ),
      gapMs: this.gapMs,
    };
  }

  private pass(): void {
    this.passed += 1;
    const { island } = this;
    if (!island) {
      this.chargeOnGrid(this.onGridBatteryW());
      return;
    }
    const minute = Math.floor((this.second - island.beganAt) / 60);
    if (minute + island.windowAt >= windowMin) this.openWindow(island.stepper);
    else if (minute > this.played) {
      this.played = minute;
      this.playMinute(island.stepper, minute + island.windowAt);
    }
    this.chargeWh = this.minute.fromWh + this.minute.changeWh * this.shareOfMinute();
    if (this.watchedFrom !== null && this.second - this.watchedFrom >= this.watchesS()) this.backToGrid();
  }

  /** Grid or main have changed. */
  private follow(): void {
    const isOn = this.isGridThere && this.isMainClosed;
    if (!isOn) {
      this.watchedFrom = null;
      if (!this.island) this.beginIsland();
    } else if (this.island && this.watchedFrom === null) this.watchedFrom = this.second;
  }

  private beginIsland(): void {
    const transferGapMs = this.of.year.stack.transferGapMs ?? usualGapMs;
    this.gapMs = this.faults.has('late-transfer')
      ? Math.max(late.leastMs, late.times * transferGapMs)
      : transferGapMs * (0.7 + 0.25 * this.random());
    this.openWindow(null);
  }

  /** Works out the island from this minute on; it goes on from how another one stands, or begins. */
  private openWindow(before: OutageStepper | null): void {
    const windowAt = this.minuteOfYear() % 60;
    const stepper = this.stepperFrom(this.minuteOfYear() - windowAt);
    stepper.begin(windowAt, this.chargeWh);
    if (before) stepper.state.set(before.state);
    this.island = { stepper, beganAt: this.second, windowAt };
    this.played = 0;
    this.playMinute(stepper, windowAt);
  }

  /** Loads or faults have changed while the island runs: it goes on as it stands, with what is true now. */
  private rebuild(): void {
    const { island } = this;
    if (!island) return;
    const began = this.of.fromMinute + Math.floor(island.beganAt / 60);
    const stepper = this.stepperFrom(began - island.windowAt);
    const minute = island.windowAt + this.played;
    stepper.begin(minute, this.chargeWh);
    stepper.state.set(island.stepper.state);
    stepper.state[at.chargeWh] = this.chargeWh;
    const before = stepper.state.slice();
    this.island = { ...island, stepper };
    this.playMinute(stepper, minute);
    // A part of this minute has passed already; only what flows in the rest is another, or that it is dark now.
    const { changeWh } = this.minute;
    if (stepper.state[at.dark] === before[at.dark]) stepper.state.set(before);
    stepper.state[at.chargeWh] = this.chargeWh + changeWh * (1 - this.shareOfMinute());
    this.minute = { fromWh: this.chargeWh - changeWh * this.shareOfMinute(), changeWh };
  }

  private playMinute(stepper: OutageStepper, minute: number): void {
    const fromWh = stepper.state[at.chargeWh]!;
    stepper.step(minute);
    this.minute = { fromWh, changeWh: stepper.state[at.chargeWh]! - fromWh };
  }

  /** How much of the minute that is played has passed. */
  private shareOfMinute(): number {
    return this.island ? ((this.second - this.island.beganAt) % 60) / 60 : 0;
  }

  private stepperFrom(fromMinute: number): OutageStepper {
    const year = this.year();
    const loads = this.asHeld(year.house.loads.filter(({ load }) => !this.open.has(load.id)));
    return new OutageStepper(outagePlan({ ...year, house: { ...year.house, loads } }, fromMinute, windowMin));
  }

  private backToGrid(): void {
    this.island = null;
    this.watchedFrom = null;
    this.played = -1;
  }

  private watchesS(): number {
    return this.faults.has('wrong-profile') ? otherProfileS : this.of.year.stack.gridReturnMin * 60;
  }

  /** Recharges from sun and grid once it is back; else it waits. W out of the battery. */
  private onGridBatteryW(): number {
    const { usableWh, chargePowerW } = this.year().hardware;
    return this.chargeWh >= usableWh - 1e-6 ? 0 : -Math.min(chargePowerW, (usableWh - this.chargeWh) * 3600);
  }

  private chargeOnGrid(batteryW: number): void {
    const { usableWh, chargeEfficiency } = this.year().hardware;
    this.chargeWh = Math.min(usableWh, this.chargeWh + (-batteryW * chargeEfficiency) / 3600);
  }

  private islandSunW(flows: Float64Array): number {
    const usedW = flows[flow.sunUsedW]!;
    // It waits its minutes all the same; only then it feeds whatever it has.
    return this.faults.has('solar-holds-on') && usedW > 0 ? flows[flow.sunW]! : usedW;
  }

  /** On the grid solar feeds, whatever is wrong with it on the island. */
  private sunW(): number {
    const { sun } = this.yearWith(new Set());
    const minute = this.minuteOfYear() % sun.acW.length;
    return this.solarLimit * (sun.acW[minute]! + sun.dcW[minute]!);
  }

  /** What runs in this minute, on each leg, W: on the island what it feeds. */
  private runningW(): number[] {
    const truth = this.of.truth ?? asDesigned;
    const fed = this.island ? new Set(this.year().house.loads.map(({ load }) => load.id)) : null;
    const isOn = (id: string): boolean => id === heatersId || (!this.open.has(id) && (fed?.has(id) ?? true));
    return legPowersW(
      runningLoads(this.asHeld(this.of.whole), this.minuteOfYear(), isOn),
      this.legs,
      truth.loadTimes,
    );
  }

  /** Loads as they run with what somebody leaves on, and heaters beside them. */
  private asHeld(loads: readonly TracedLoad[]): readonly TracedLoad[] {
    const all = loads.map((one) =>
      this.held.has(one.load.id) ? { ...one, cycles: { load: one.load, onDay: () => wholeDay } } : one,
    );
    const [like] = this.of.whole;
    if (this.heatersW === 0 || !like) return all;
    const load = { ...like.load, id: heatersId };
    const heaters: TracedLoad = {
      ...like,
      load,
      cycles: { load, onDay: () => wholeDay },
      kept: 'always',
      offFromStage: Infinity,
      powerW: this.heatersW,
      powerVA: this.heatersW,
      legVA: Array.from({ length: this.legs }, () => this.heatersW / this.legs),
      surgeVA: 0,
      surgeW: 0,
      surgeS: 0,
    };
    return [...all, heaters];
  }

  private shownCharge(): number {
    const share = this.chargeWh / this.year().hardware.usableWh + noise.charge * this.normal();
    return Math.max(0, Math.min(1, Math.round(share * 100) / 100));
  }

  private minuteOfYear(): number {
    return this.of.fromMinute + Math.floor(this.second / 60);
  }

  private year(): OutageYear {
    return this.yearWith(this.faults);
  }

  private yearWith(faults: ReadonlySet<SimulatedFault>): OutageYear {
    const key = [...faults].toSorted().join();
    const known = this.years.get(key);
    if (known) return known;
    const made = trueYear(this.of.year, this.of.truth ?? asDesigned, faults, this.of.batteries);
    this.years.set(key, made);
    return made;
  }
}
