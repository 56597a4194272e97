import {
  chainRegisters,
  type HeldModel,
  lengthOf,
  placeOf,
  sunSpecBases,
  sunSpecModels,
} from '@levamen/core/device';
import type { HouseNow, SimulatedHouse } from '@levamen/core/simulator';
import { OutageLog } from './outage-log.js';
import { type HousePlates, houseRegisters, type Limits, unitIds } from './house-registers.js';

const base = sunSpecBases[0];
/** A house that was left alone for long catches up so many seconds at most in one go. */
const mostAtOnceS = 3600;

/** Of an outage it remembers what stood so many seconds apart. */
const keptEveryS = 10;

/** Answers of a network that drops some: null = none. */
export type Answer<T> = T | null;

/** A simulated system as devices on a network have it: time goes on, registers by unit id, every third answer lost where the network is flaky. */
export class Gateway {
  /** What it remembers of outages. */
  readonly log = new OutageLog();
  private limits: Limits = { isOn: false, percent: 100 };
  private reached: number;
  private asked = 0;
  private snapshot: {
    readonly second: number;
    readonly now: HouseNow;
    readonly units: Map<number, number[]>;
  } | null = null;

  /**
   * @param times how many times as fast as the clock it runs
   * @param clock milliseconds, as of the machine
   */
  constructor(
    readonly house: SimulatedHouse,
    readonly plates: HousePlates,
    private times: number,
    private readonly clock: () => number = Date.now,
  ) {
    this.reached = clock();
  }

  get pace(): number {
    return this.times;
  }

  setPace(times: number): void {
    this.goOn();
    this.times = times;
  }

  /** Something was switched or broken: what stood before is no longer so. */
  changed(): void {
    this.snapshot = null;
  }

  /** What the instruments show now. */
  now(): HouseNow {
    return this.read().now;
  }

  /** The moment its clock shows. */
  shownAt(): Date {
    return new Date(this.clock() + this.house.clockOffS * 1000);
  }

  /** Is this answer one that gets lost? */
  drops(): boolean {
    this.asked += 1;
    return this.house.loses(this.asked);
  }

  /** Unit ids that answer. */
  answering(): number[] {
    return [...this.read().units.keys()];
  }

  /** Registers of a unit; null where nobody answers there; undefined where there are none at that address. */
  registers(unitId: number, address: number, count: number): number[] | null | undefined {
    const registers = this.read().units.get(unitId);
    if (!registers) return null;
    const from = address - base;
    return from < 0 || from + count > registers.length ? undefined : registers.slice(from, from + count);
  }

  /** Writes one register of the controls; false where it may not be written, or not so. */
  write(unitId: number, address: number, value: number): boolean {
    if (unitId !== unitIds.inverter) return false;
    const controls = this.addressOf(704);
    const at = (name: string): number => controls + placeOf(sunSpecModels.get(704)!, name);
    if (address === at('WMaxLimPctEna') && value <= 1) this.limits = { ...this.limits, isOn: value === 1 };
    else if (address === at('WMaxLimPct') && value <= 100) this.limits = { ...this.limits, percent: value };
    else return false;
    this.house.limitSolar(this.limits.isOn ? this.limits.percent / 100 : 1);
    this.changed();
    return true;
  }

  /** First register of a model of the inverter, after number and length. */
  private addressOf(number: number): number {
    let address = base + 2;
    for (const { model } of houseRegisters(this.now(), this.plates, this.limits).get(unitIds.inverter)!) {
      if (model.number === number) return address + 2;
      address += 2 + lengthOf(model);
    }
    return -1;
  }

  private read() {
    this.goOn();
    const { second } = this.house;
    if (this.snapshot?.second === second) return this.snapshot;
    const now = this.house.now();
    const held = new Map(houseRegisters(now, this.plates, this.limits));
    this.placeBatteries(held);
    const units = new Map([...held].map(([id, models]) => [id, chainRegisters(models)]));
    this.snapshot = { second, now, units };
    return this.snapshot;
  }

  /** Each battery at the address where it answers now. */
  private placeBatteries(held: Map<number, HeldModel[]>): void {
    const all = this.plates.batteriesWh.map((_, place) => held.get(unitIds.firstBattery + place)!);
    all.forEach((_, place) => held.delete(unitIds.firstBattery + place));
    for (const { address, battery } of this.house.answeringBatteries())
      held.set(unitIds.firstBattery + address, all[battery]!);
  }

  private goOn(): void {
    const passed = Math.floor(((this.clock() - this.reached) / 1000) * this.times);
    if (passed < 1) return;
    this.reached += (passed / this.times) * 1000;
    let left = Math.min(mostAtOnceS, passed);
    while (left > 0) {
      const some = Math.min(left, keptEveryS);
      this.house.advance(some);
      left -= some;
      this.log.see(this.house.now(), new Date(this.shownAt().getTime() - left * 1000));
    }
  }
}
