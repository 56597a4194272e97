import { minutesOfYear } from './minutes.js';
import type { OutageYear } from './outage-plan.js';
import type { OutageEvent, OutageEventKind } from './outage-run.js';
import { at, causes, dark, engine, flow, type Cause } from './outage-state.js';
import type { OutageStepper } from './outage-stepper.js';
import type { TracedLoad } from './traced-house.js';

/** Once full, the battery has to fall below this share before it can be full again. */
const noLongerFull = 0.97;

/** Watches an outage from minute to minute and writes down what happens. */
export class OutageDiary {
  readonly events: OutageEvent[] = [{ minute: 0, kind: 'transfer', what: '' }];
  /** When the house first went dark for want of energy or was locked out, min; Infinity while it has not. */
  survivedMin = Infinity;
  cause: Cause = 'none';
  private dark: number;
  private stage: number;
  private engine: number;
  private full: boolean;
  private solarBack = false;
  private vehicleFeeds = false;
  private tries = 0;
  private coldCharge = false;
  private generatorWanted = false;
  private generatorIdle: 'generator-waits' | 'generator-dry' | null = null;

  /** @param fromMinute minute of the year at which the outage begins */
  constructor(
    private readonly year: OutageYear,
    private readonly stepper: OutageStepper,
    private readonly fromMinute: number,
  ) {
    const { state } = stepper;
    this.dark = state[at.dark]!;
    this.stage = state[at.stage]!;
    this.engine = state[at.engine]!;
    this.full = state[at.chargeWh]! >= year.hardware.usableWh;
    if (this.dark === dark.lockedOut) {
      this.note(0, 'locked-out', 'starting');
      this.fail(0);
    }
  }

  note(minute: number, kind: OutageEventKind, what = ''): void {
    this.events.push({ minute, kind, what });
  }

  /** Looks at the minute that has just been played. */
  observe(minute: number): void {
    this.observeLight(minute);
    this.observeShedding(minute);
    this.observeSources(minute);
  }

  private observeLight(minute: number): void {
    const { state } = this.stepper;
    const now = state[at.dark]!;
    const was = this.dark;
    this.dark = now;
    const tries = state[at.tries]!;
    // It tried again, and tripped again; the last try is the lock-out.
    if (now === dark.tripped && was === dark.tripped && tries > this.tries)
      this.note(minute, 'retry', causes[state[at.cause]!]!);
    this.tries = tries;
    if (now === was) return;
    const why = causes[state[at.cause]!]!;
    if (now === dark.lit) {
      this.note(minute, was === dark.tripped ? 'reconnected' : 'lit-again');
      this.solarBack = false;
    } else if (now === dark.empty) {
      const moment = minute + state[at.servedShare]!;
      this.note(moment, 'empty', why);
      this.fail(moment);
    } else {
      if (was === dark.lit) this.note(minute, why === 'cold' ? 'too-cold' : 'trip', why);
      if (now === dark.lockedOut) {
        this.note(minute, 'locked-out', why);
        this.fail(minute);
      }
    }
  }

  private observeShedding(minute: number): void {
    const now = this.stepper.state[at.stage]!;
    for (let stage = this.stage + 1; stage <= now; stage += 1) this.note(minute, 'shed', this.namesOf(stage));
    for (let stage = this.stage; stage > now; stage -= 1) this.note(minute, 'restored', this.namesOf(stage));
    this.stage = now;
  }

  private observeSources(minute: number): void {
    const { state, flows } = this.stepper;
    const running = state[at.engine]!;
    if (running !== this.engine) {
      if (running === engine.called) this.note(minute, 'generator-called');
      if (running === engine.running) this.noteGenerator(minute, 'generator-on', 'switched-off');
      if (this.engine === engine.running) this.noteGenerator(minute, 'generator-off', 'switched-on');
      this.engine = running;
    }
    this.observeWaiting(minute);
    const lit = state[at.dark] === dark.lit;
    if (lit && !this.solarBack && flows[flow.sunUsedW]! > 0 && state[at.upMin]! > 0) {
      this.note(minute, 'solar-back');
      this.solarBack = true;
    }
    // What comes with the morning has not come back.
    if (flows[flow.sunW] === 0) this.solarBack = true;
    const share = state[at.chargeWh]! / this.year.hardware.usableWh;
    const full = share >= 0.9999;
    if (full && !this.full) this.note(minute, 'full');
    if (full || share < noLongerFull) this.full = full;
    const feeds = flows[flow.vehicleOutW]! > 0;
    if (feeds && !this.vehicleFeeds) this.note(minute, 'vehicle-feeds');
    this.vehicleFeeds = feeds;
  }

  /** Sun that the battery is too cold or too hot to take, and a generator that should run and doesn't. */
  private observeWaiting(minute: number): void {
    const { state, flows } = this.stepper;
    const { hardware, chargeShare } = this.year;
    const share = state[at.chargeWh]! / hardware.usableWh;
    const hour = Math.floor(((this.fromMinute + minute) % minutesOfYear) / 60);
    const spareW = flows[flow.sunW]! - flows[flow.sunUsedW]!;
    const cold =
      chargeShare[hour] === 0 && spareW > 1 && share < noLongerFull && state[at.dark] !== dark.lockedOut;
    if (cold && !this.coldCharge) this.note(minute, 'cold-charge');
    // Until the sun of another day, it is the same story.
    if (cold || chargeShare[hour]! > 0) this.coldCharge = cold;
    const { generator } = hardware;
    if (generator === null) return;
    const wanted = state[at.engine] === engine.off && share <= generator.startBelow;
    // It may start in the minute after the charge has fallen.
    const late = wanted && this.generatorWanted;
    this.generatorWanted = wanted;
    const idle = !late ? null : state[at.fuelL]! <= 0 ? 'generator-dry' : 'generator-waits';
    if (idle !== null && idle !== this.generatorIdle) this.note(minute, idle);
    this.generatorIdle = idle;
  }

  private fail(minute: number): void {
    if (this.cause !== 'none') return;
    this.survivedMin = minute;
    this.cause = causes[this.stepper.state[at.cause]!]!;
  }

  /** With what somebody switches for it. */
  private noteGenerator(minute: number, kind: OutageEventKind, switched: OutageEventKind): void {
    this.note(minute, kind);
    const names = this.names(({ load }) => this.year.offBeside.has(load.id));
    if (names !== '') this.note(minute, switched, names);
  }

  private namesOf(stage: number): string {
    return this.names(({ offFromStage }) => offFromStage === stage);
  }

  private names(isMeant: (load: TracedLoad) => boolean): string {
    return this.year.house.loads
      .filter(isMeant)
      .map(({ load }) => load.name)
      .join(', ');
  }
}
