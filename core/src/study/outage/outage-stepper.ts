import { drainOf, solarReturnMin, type OutagePlan } from './outage-plan.js';
import { wrapMinute } from './minutes.js';
import { Engine } from './engine.js';
import { at, causeNumber, dark, engine, flow, newFlows, newState } from './outage-state.js';
import { axisOfMark } from './mark-overloads.js';
import { startMark } from './overload-minutes.js';

/** The cause that a mark of an overloaded minute stands for, see {@link markOverloads}. */
const causeOfMark = (mark: number): number =>
  mark >= startMark ? causeNumber.starting : causeNumber.overload + axisOfMark(mark);

const hour = 1 / 60;
/** Above what is kept for restart, the charge at which a house that went dark comes back, as a share of the usable energy. */
const comesBackShare = 0.05;
const slackW = 1e-6;

/**
 * The physics of one minute: loads, sun, battery, generator, vehicle, overload. Written without allocation, since a year of
 * outages takes some fifty million of these steps.
 *
 * Order of sources: generator while it runs, AC-coupled sun, DC-coupled sun, vehicle, battery. Order of what takes a surplus:
 * battery, vehicle; what is left is held back.
 */
export class OutageStepper {
  readonly state = newState();
  readonly flows = newFlows();

  private readonly demandW: readonly Float64Array[];
  private readonly overloads: readonly Uint8Array[];
  private readonly thresholdsWh: Float64Array;
  private readonly acW: Float32Array;
  private readonly dcW: Float32Array;
  private readonly chargeShare: Float32Array;
  private readonly dischargeShare: Float32Array;
  private readonly fromMinute: number;
  // The numbers of the hardware once more, one step away instead of three.
  private readonly usableWh: number;
  private readonly keptWh: number;
  private readonly restoreAboveWh: number;
  private readonly standbyW: number;
  private readonly chargePowerW: number;
  private readonly chargeEfficiency: number;
  private readonly chargeTaperFromWh: number;
  private readonly chargeAtFull: number;
  private readonly dischargePowerW: number;
  private readonly dischargeEfficiency: number;
  private readonly dischargeTaperBelowWh: number;
  private readonly dischargeAtEmpty: number;
  private readonly engine: Engine | null;
  private readonly hasVehicle: boolean;
  private readonly bendsByRate: boolean;

  /**
   * @param plan what happens from outside, and the hardware
   * @param writesFlows are the flows wanted? Without them a minute takes about half the time
   */
  constructor(
    private readonly plan: OutagePlan,
    private readonly writesFlows = true,
  ) {
    const { hardware } = plan;
    this.usableWh = hardware.usableWh;
    this.keptWh = hardware.keptWh;
    this.restoreAboveWh = hardware.restoreAboveWh;
    this.standbyW = hardware.standbyW;
    this.chargePowerW = hardware.chargePowerW;
    this.chargeEfficiency = hardware.chargeEfficiency;
    this.chargeTaperFromWh = hardware.chargeTaperFromWh;
    this.chargeAtFull = hardware.chargeAtFull;
    this.dischargePowerW = hardware.dischargePowerW;
    this.dischargeEfficiency = hardware.dischargeEfficiency;
    this.dischargeTaperBelowWh = hardware.dischargeTaperBelowWh;
    this.dischargeAtEmpty = hardware.dischargeAtEmpty;
    this.engine = hardware.generator && new Engine(hardware.generator, hardware.usableWh);
    this.hasVehicle = hardware.vehicle !== null;
    this.bendsByRate = hardware.peukert !== null;
    this.demandW = plan.trace.demandW;
    this.overloads = plan.overloads;
    this.thresholdsWh = plan.thresholdsWh;
    this.acW = plan.sun.acW;
    this.dcW = plan.sun.dcW;
    this.chargeShare = plan.chargeShare;
    this.dischargeShare = plan.dischargeShare;
    this.fromMinute = wrapMinute(plan.trace.fromMinute);
  }

  /** Takes the grid away at a minute of the window. */
  begin(minute: number, chargeWh = this.plan.hardware.startWh): void {
    const { generator, vehicle } = this.plan.hardware;
    this.state.fill(0);
    this.state[at.chargeWh] = chargeWh;
    this.state[at.fuelL] = generator === null ? 0 : (generator.fuelL ?? Infinity);
    this.state[at.vehicleWh] = vehicle === null ? 0 : vehicle.startCharge * vehicle.energyWh;
    this.state[at.servedShare] = 1;
    for (let stage = 0; stage < this.thresholdsWh.length; stage += 1) {
      if (chargeWh <= this.thresholdsWh[stage]!) this.state[at.stage] = stage + 1;
    }
    if (this.plan.pickups.at(minute) > 0) {
      this.state[at.dark] = dark.lockedOut;
      this.state[at.cause] = causeNumber.starting;
    }
  }

  /** Plays one minute of the window. */
  step(minute: number): void {
    const { state, flows } = this;
    const ofYear = (this.fromMinute + minute) % 525_600;
    const ofYearHour = (ofYear / 60) | 0;
    if (this.writesFlows) flows.fill(0);
    state[at.servedShare] = 0;
    const running = this.engine !== null && this.engine.run(state, flows, ofYearHour % 24);
    if (state[at.dark]! !== dark.lit && !this.comesBack(minute, running)) {
      this.chargeInTheDark(minute, ofYear, ofYearHour);
      return;
    }
    const { usableWh } = this;
    let chargeWh = state[at.chargeWh]!;
    let stage = state[at.stage]!;
    while (stage < this.thresholdsWh.length && chargeWh <= this.thresholdsWh[stage]!) stage += 1;
    while (stage > 0 && chargeWh >= Math.min(usableWh, this.thresholdsWh[stage - 1]! + this.restoreAboveWh)) {
      stage -= 1;
    }
    state[at.stage] = stage;
    const demandW = this.demandW[stage]![minute]!;
    const up = state[at.upMin]! >= solarReturnMin;
    const acThereW = this.acW[ofYear]!;
    const dcW = this.dcW[ofYear]!;
    if (this.writesFlows) {
      flows[flow.demandW] = demandW;
      flows[flow.sunW] = acThereW + dcW;
    }
    if (!running && this.overloads[stage]![minute]! > 0) {
      this.trip(causeOfMark(this.overloads[stage]![minute]!));
      return;
    }
    const acW = up && !(running && this.plan.hardware.generator!.locksSolarOut) ? acThereW : 0;
    const { dischargeEfficiency, chargeEfficiency } = this;
    let restW = demandW + this.standbyW;
    let generatorW = 0;
    if (running) {
      generatorW = Math.min(restW, this.plan.hardware.generator!.powerW);
      restW -= generatorW;
    }
    const acUsedW = acW < restW ? acW : restW;
    restW -= acUsedW;
    const dcWantedW = restW / dischargeEfficiency;
    const dcUsedW = dcW < dcWantedW ? dcW : dcWantedW;
    restW -= dcUsedW * dischargeEfficiency;
    if (restW < slackW) restW = 0;
    let vehicleW = 0;
    if (restW > 0 && this.hasVehicle) {
      vehicleW = this.vehicleFeedsW(restW, chargeWh);
      restW -= vehicleW;
    }
    const batteryW = restW / dischargeEfficiency;
    if (batteryW > 0) {
      const byCold = this.dischargeShare[ofYearHour]!;
      const low =
        chargeWh < this.dischargeTaperBelowWh
          ? this.dischargeAtEmpty + (1 - this.dischargeAtEmpty) * (chargeWh / this.dischargeTaperBelowWh)
          : 1;
      if (byCold < 1 && batteryW > this.dischargePowerW * byCold) {
        this.trip(causeNumber.cold);
        return;
      }
      if (low < 1 && batteryW > this.dischargePowerW * low) {
        this.goEmpty();
        return;
      }
    }
    const drainW = this.bendsByRate ? drainOf(this.plan.hardware, batteryW) : batteryW;
    const leftWh = chargeWh - this.keptWh;
    let share = 1;
    if (drainW * hour > leftWh && drainW > 0) share = leftWh > 0 ? leftWh / (drainW * hour) : 0;
    let storedW = 0;
    let acStoredW = 0;
    let dcStoredW = 0;
    let generatorStoredW = 0;
    let vehicleInAcW = 0;
    let vehicleInDcW = 0;
    if (batteryW === 0 && share === 1) {
      const taper =
        chargeWh > this.chargeTaperFromWh
          ? 1 -
            ((1 - this.chargeAtFull) * (chargeWh - this.chargeTaperFromWh)) /
              (usableWh - this.chargeTaperFromWh)
          : 1;
      const byPowerW = this.chargePowerW * this.chargeShare[ofYearHour]! * taper;
      const byRoomW = (usableWh - chargeWh) * 60;
      const limitW = byPowerW < byRoomW ? byPowerW : byRoomW;
      if (limitW > 0) {
        const dcLeftW = dcW - dcUsedW;
        dcStoredW = dcLeftW < limitW ? dcLeftW : limitW;
        const acLeftW = (acW - acUsedW) * chargeEfficiency;
        acStoredW = acLeftW < limitW - dcStoredW ? acLeftW : limitW - dcStoredW;
        if (running) {
          const { powerW, chargerW } = this.plan.hardware.generator!;
          const spareW = Math.min(powerW - generatorW, chargerW) * chargeEfficiency;
          generatorStoredW = Math.max(0, Math.min(spareW, limitW - dcStoredW - acStoredW));
        }
        storedW = dcStoredW + acStoredW + generatorStoredW;
      }
      if (this.hasVehicle && this.plan.hardware.vehicle!.role === 'sink') {
        const { powerW, energyWh } = this.plan.hardware.vehicle!;
        const roomW = Math.max(0, Math.min(powerW, (energyWh - state[at.vehicleWh]!) * 60));
        vehicleInAcW = Math.min(roomW, Math.max(0, acW - acUsedW - acStoredW / chargeEfficiency));
        const dcLeftW = Math.max(0, dcW - dcUsedW - dcStoredW);
        vehicleInDcW = Math.min(dcLeftW, (roomW - vehicleInAcW) / dischargeEfficiency);
      }
    }
    const vehicleInW = vehicleInAcW + vehicleInDcW * dischargeEfficiency;
    const generatorOutW = generatorW + generatorStoredW / chargeEfficiency;
    const acTakenW = acUsedW + acStoredW / chargeEfficiency + vehicleInAcW;
    chargeWh += (storedW - drainW * share) * hour;
    if (usableWh - chargeWh < usableWh * 1e-12) chargeWh = usableWh;
    if (share < 1) chargeWh = this.keptWh < state[at.chargeWh]! ? this.keptWh : state[at.chargeWh]!;
    state[at.chargeWh] = chargeWh;
    state[at.vehicleWh]! += (vehicleInW - vehicleW * share) * hour;
    if (this.writesFlows) {
      const sunUsedW = (acTakenW + dcUsedW + dcStoredW + vehicleInDcW) * share;
      flows[flow.servedW] = demandW * share;
      flows[flow.standbyW] = this.standbyW * share;
      flows[flow.sunUsedW] = sunUsedW;
      flows[flow.generatorW] = generatorOutW * share;
      flows[flow.drainW] = drainW * share;
      flows[flow.storedW] = storedW;
      flows[flow.vehicleOutW] = vehicleW * share;
      flows[flow.vehicleInW] = vehicleInW;
      flows[flow.lossW] =
        (dcUsedW * (1 - dischargeEfficiency) + drainW - restW) * share +
        ((acStoredW + generatorStoredW) * (1 - chargeEfficiency)) / chargeEfficiency +
        vehicleInDcW * (1 - dischargeEfficiency);
      flows[flow.heldBackShare] = acW > 0 ? Math.max(0, 1 - acTakenW / acW) : 0;
    }
    if (running) this.engine!.burn(state, flows, generatorOutW);
    state[at.servedShare] = share;
    if (share < 1) {
      this.goEmpty();
      state[at.servedShare] = share;
      return;
    }
    state[at.tries] = 0;
    state[at.upMin]! += 1;
  }

  /** Everything is as it is after a long sunny while: full, nothing shed, nothing used up. From here on all outages are alike. */
  isFresh(): boolean {
    const { state } = this;
    const { hardware } = this.plan;
    return (
      state[at.chargeWh] === hardware.usableWh &&
      state[at.dark] === dark.lit &&
      state[at.stage] === 0 &&
      state[at.upMin]! >= solarReturnMin &&
      state[at.engine] === engine.off &&
      (hardware.generator === null || state[at.fuelL] === (hardware.generator.fuelL ?? Infinity)) &&
      (hardware.vehicle === null ||
        state[at.vehicleWh] === hardware.vehicle.startCharge * hardware.vehicle.energyWh)
    );
  }

  private goEmpty(): void {
    const { state } = this;
    const { generator } = this.plan.hardware;
    state[at.dark] = dark.empty;
    state[at.servedShare] = 0;
    state[at.cause] = generator !== null && state[at.fuelL]! <= 0 ? causeNumber.fuel : causeNumber.empty;
  }

  private trip(cause: number): void {
    const { state } = this;
    state[at.cause] = cause;
    state[at.dark] = state[at.tries]! >= this.plan.hardware.retryTries ? dark.lockedOut : dark.tripped;
    state[at.lockedMin] = 0;
    state[at.servedShare] = 0;
  }

  /** Is the house lit again in this minute? */
  private comesBack(minute: number, running: boolean): boolean {
    const { state } = this;
    const { hardware } = this.plan;
    if (state[at.dark] === dark.lockedOut) {
      state[at.lockedMin]! += 1;
      if (state[at.lockedMin]! < hardware.resetAfterMin) return false;
      state[at.tries] = 0;
    } else if (state[at.dark] === dark.tripped) {
      state[at.tries]! += hardware.retriesPerMinute;
      const mark = this.overloads[state[at.stage]!]![minute]!;
      if (mark > 0 && !running) {
        this.trip(causeOfMark(mark));
        return false;
      }
    } else if (!running && state[at.chargeWh]! < hardware.keptWh + comesBackShare * hardware.usableWh) {
      return false;
    }
    state[at.dark] = dark.lit;
    state[at.upMin] = 0;
    return true;
  }

  /** While the house is dark the arrays still fill the battery, unless the inverter is locked out. */
  private chargeInTheDark(minute: number, ofYear: number, ofYearHour: number): void {
    const { state, flows } = this;
    const { hardware } = this.plan;
    const acW = this.acW[ofYear]!;
    const dcW = this.dcW[ofYear]!;
    flows[flow.demandW] = this.demandW[state[at.stage]!]![minute]!;
    flows[flow.sunW] = acW + dcW;
    if (state[at.dark] !== dark.empty) return;
    const byRoomW = (hardware.usableWh - state[at.chargeWh]!) * 60;
    const limitW = Math.min(hardware.chargePowerW * this.chargeShare[ofYearHour]!, byRoomW);
    const dcStoredW = Math.min(dcW, limitW);
    // Solar inverters need an island to feed: it is formed without loads, from what the unit never lets out.
    const spareW = Math.max(0, acW - hardware.standbyW);
    const acStoredW = Math.min(spareW * hardware.chargeEfficiency, limitW - dcStoredW);
    const islandW = acStoredW > 0 ? hardware.standbyW : 0;
    state[at.chargeWh]! += (dcStoredW + acStoredW) * hour;
    flows[flow.storedW] = dcStoredW + acStoredW;
    flows[flow.standbyW] = islandW;
    flows[flow.sunUsedW] = dcStoredW + acStoredW / hardware.chargeEfficiency + islandW;
    flows[flow.lossW] = (acStoredW * (1 - hardware.chargeEfficiency)) / hardware.chargeEfficiency;
  }

  /** What the vehicle gives to the house, W. */
  private vehicleFeedsW(restW: number, chargeWh: number): number {
    const { usableWh, vehicle } = this.plan.hardware;
    if (vehicle!.role !== 'source' || chargeWh > vehicle!.feedsBelow * usableWh) return 0;
    const leftWh = this.state[at.vehicleWh]! - vehicle!.keeps * vehicle!.energyWh;
    return Math.max(0, Math.min(restW, vehicle!.powerW, leftWh * 60));
  }
}
