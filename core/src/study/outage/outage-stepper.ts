import { acOfDcW, dcOfAcW } from '../../electric/index.js';
import { HourJumps, jumpMin } from './hour-jumps.js';
import { minutesOfYear, wrapMinute } from './minutes.js';
import { drainOf, type OutagePlan } from './outage-plan.js';
import { at, causeNumber, dark, engine, flow, newFlows, newState } from './outage-state.js';
import { partOfMark } from './mark-overloads.js';
import { startMark } from './overload-minutes.js';

/** The cause that a mark of an overloaded minute stands for, see {@link markOverloads}. */
const causeOfMark = (mark: number): number =>
  mark >= startMark ? causeNumber.starting : causeNumber.overload + partOfMark(mark);

const hour = 1 / 60;
/** Above what is kept for restart, the charge at which a house that went dark comes back, as a share of the usable energy. */
const comesBackShare = 0.05;
const slackW = 1e-6;

/** How a stretch of minutes is played. */
export interface Stretch {
  /** Ends in the minute in which the house goes dark for want of energy or is locked out. */
  readonly untilDark: boolean;
  /**
   * By minute of the window: the outage that was fresh there, 0 for none. The stretch ends where another one was, and
   * writes its own number where none was.
   */
  readonly passed: Int32Array | null;
  readonly number: number;
  /** Passes whole hours in one step where nothing depends on the charge, see {@link HourJumps}. */
  readonly jumps: boolean;
}

/** Of plans that are played, by stage: several questions are asked of one plan. */
const jumpsOf = new WeakMap<OutagePlan, HourJumps[]>();

const oneMinute: Stretch = { untilDark: false, passed: null, number: 0, jumps: false };

/**
 * The physics of an outage, minute by minute: loads, sun, battery, generator, vehicle, overload.
 *
 * Order of sources: generator while it runs, AC-coupled sun, DC-coupled sun, vehicle, battery. Order of what takes a surplus:
 * battery, vehicle; what is left is held back.
 */
export class OutageStepper {
  readonly state = newState();
  /** Of the minute last played by {@link step}. */
  readonly flows = newFlows();

  private readonly quiet = new Uint8Array(24);
  private readonly fuelFullL: number;
  private readonly vehicleFullWh: number;

  /** @param plan what happens from outside, and the hardware */
  constructor(private readonly plan: OutagePlan) {
    const { generator, vehicle } = plan.hardware;
    if (generator?.quiet) {
      const { fromH, toH } = generator.quiet;
      for (let h = fromH; h !== toH; h = (h + 1) % 24) this.quiet[h] = 1;
    }
    this.fuelFullL = generator === null ? 0 : (generator.fuelL ?? Infinity);
    this.vehicleFullWh = vehicle === null ? 0 : vehicle.startCharge * vehicle.energyWh;
  }

  /** Takes the grid away at a minute of the window. */
  begin(minute: number, chargeWh = this.plan.hardware.startWh): void {
    const { state, plan } = this;
    state.fill(0);
    state[at.chargeWh] = chargeWh;
    state[at.fuelL] = this.fuelFullL;
    state[at.vehicleWh] = this.vehicleFullWh;
    state[at.servedShare] = 1;
    for (let stage = 0; stage < plan.thresholdsWh.length; stage += 1) {
      if (chargeWh <= plan.thresholdsWh[stage]!) state[at.stage] = stage + 1;
    }
    if (plan.pickups.at(minute) > 0) {
      state[at.dark] = dark.lockedOut;
      state[at.cause] = causeNumber.starting;
    }
  }

  /** Plays one minute of the window, and writes down its flows. */
  step(minute: number): void {
    this.flows.fill(0);
    this.run(minute, minute + 1, oneMinute, true);
  }

  /**
   * Plays minutes of the window without writing down flows.
   *
   * @returns the minute at which it ended: `to`, or as the stretch says
   */
  play(from: number, to: number, stretch: Stretch): number {
    if (!stretch.jumps) return this.run(from, to, stretch, false);
    let minute = from;
    while (minute < to) {
      minute = this.jump(minute, to);
      const hourEnds = Math.min(to, (Math.floor(minute / jumpMin) + 1) * jumpMin);
      const reached = this.run(minute, hourEnds, stretch, false);
      if (reached < hourEnds) return reached;
      minute = hourEnds;
    }
    return minute;
  }

  /** Passes as many whole hours as can be, from a minute on at which one begins, see {@link HourJumps}. */
  private jump(from: number, to: number): number {
    const { state } = this;
    if (from % jumpMin !== 0 || state[at.dark] !== dark.lit || state[at.engine] !== engine.off) return from;
    const hours = this.jumpsAt(state[at.stage]!);
    const { leastWh, mostWh, sumWh, onlyFalls, sunless, aboveWh } = hours;
    let chargeWh = state[at.chargeWh]!;
    let upMin = state[at.upMin]!;
    let minute = from;
    for (; minute + jumpMin <= to; minute += jumpMin) {
      const hour = minute / jumpMin;
      if (Number.isNaN(leastWh[hour])) hours.work(hour);
      const belowWh = onlyFalls[hour] === 1 ? hours.fallsBelowWh : hours.belowWh;
      const passes =
        (upMin >= this.plan.sun.returnMin || sunless[hour] === 1) &&
        chargeWh + leastWh[hour]! > aboveWh &&
        chargeWh + mostWh[hour]! < belowWh;
      if (!passes) break;
      chargeWh += sumWh[hour]!;
      upMin += jumpMin;
    }
    if (minute === from) return from;
    state[at.chargeWh] = chargeWh;
    state[at.upMin] = upMin;
    state[at.tries] = 0;
    state[at.servedShare] = 1;
    return minute;
  }

  private jumpsAt(stage: number): HourJumps {
    const ofPlan = jumpsOf.get(this.plan) ?? [];
    jumpsOf.set(this.plan, ofPlan);
    return (ofPlan[stage] ??= new HourJumps(this.plan, stage));
  }

  /**
   * One function for all the minutes of a stretch, with its state in locals: a year of outages takes some fifty million of
   * these minutes, and a state that is read from memory and written back in each costs more than the physics.
   */
  private run(from: number, to: number, { untilDark, passed, number }: Stretch, writes: boolean): number {
    const { plan, state, flows, quiet, fuelFullL, vehicleFullWh } = this;
    const {
      hardware,
      sun,
      thresholdsWh,
      chargeShare,
      dischargeShare,
      heaterW,
      overloads,
      overloadsBeside,
      besideW,
    } = plan;
    const { acW: sunAcW, dcW: sunDcW, returnMin: solarReturnMin, sooner } = sun;
    const { demandW } = plan.trace;
    const {
      usableWh,
      keptWh,
      standbyW: idleW,
      chargePowerW,
      chargeEfficiency,
      dcChargeEfficiency,
      chargeTaperFromWh,
      chargeAtFull,
      dischargePowerW,
      lossPerW,
      lossPerW2,
      dischargeTaperBelowWh,
      dischargeAtEmpty,
      restoreAboveWh,
      retryTries,
      retriesPerMinute,
      retryAfterMin,
      resetAfterMin,
      generator,
      vehicle,
    } = hardware;
    // Near at hand, since they are looked at in every minute.
    const { lit, empty, lockedOut, tripped } = dark;
    const { off: engineOff, called: engineCalled, warming: engineWarming, running: engineRuns } = engine;
    const lastOfYear = minutesOfYear - 1;
    const fullWh = usableWh * (1 - 1e-12);
    const comesBackWh = keptWh + comesBackShare * usableWh;
    const stageCount = thresholdsWh.length;
    const bendsByRate = hardware.peukert !== null;
    const toCharger = generator !== null && generator.connection === 'charger';
    const generatorMaxW =
      generator === null ? 0 : toCharger ? Math.min(generator.powerW, generator.chargerW) : generator.powerW;
    const locksSolarOut = generator !== null && generator.locksSolarOut;

    // What counts is kept as whole numbers, so that the engine never has to guess.
    let chargeWh = state[at.chargeWh]!;
    let stage = state[at.stage]! | 0;
    let darkNow = state[at.dark]! | 0;
    let tries = state[at.tries]! | 0;
    let upMin = state[at.upMin]! | 0;
    let engineNow = state[at.engine]! | 0;
    let engineMin = state[at.engineMin]! | 0;
    let fuelL = state[at.fuelL]!;
    let vehicleWh = state[at.vehicleWh]!;
    let waitedMin = state[at.waitedMin]! | 0;
    let cause = state[at.cause]! | 0;
    let share = state[at.servedShare]!;
    let wantedW = demandW[stage]!;
    let marks = overloads[stage]!;
    let minute = from;
    let ofYear = wrapMinute(plan.trace.fromMinute + from) | 0;

    for (; minute < to; minute += 1, ofYear = ofYear === lastOfYear ? 0 : ofYear + 1) {
      if (untilDark && darkNow === lockedOut) break;
      if (
        passed !== null &&
        chargeWh === usableWh &&
        darkNow === lit &&
        stage === 0 &&
        upMin >= solarReturnMin &&
        engineNow === engineOff &&
        fuelL === fuelFullL &&
        vehicleWh === vehicleFullWh
      ) {
        // Full, nothing shed, nothing used up: from here on all outages are alike.
        if (passed[minute] !== 0) break;
        passed[minute] = number;
      }
      const ofYearHour = (ofYear / 60) | 0;
      const standbyW = heaterW === null ? idleW : idleW + heaterW[ofYearHour]!;
      share = 0;

      // The generator starts and stops by the charge, warms up, and keeps quiet hours.
      let running = false;
      let burntL = 0;
      if (generator !== null) {
        const charge = chargeWh / usableWh;
        const allowed = quiet[ofYearHour % 24] === 0 && fuelL > 0;
        if (
          engineNow === engineOff &&
          charge <= generator.startBelow &&
          fuelL > 0 &&
          (allowed || generator.start === 'hand')
        ) {
          engineNow = generator.start === 'auto' ? engineWarming : engineCalled;
          engineMin = 0;
        }
        if (engineNow === engineCalled) {
          engineMin += 1;
          if (engineMin > generator.comesAfterMin && allowed) {
            engineNow = engineWarming;
            engineMin = 0;
          }
        }
        if (engineNow === engineWarming || engineNow === engineRuns) {
          if (charge >= generator.stopAbove || !allowed) {
            engineNow = engineOff;
          } else if (engineNow === engineRuns) {
            running = true;
          } else {
            engineMin += 1;
            if (engineMin > generator.warmUpMin) {
              engineNow = engineRuns;
              running = true;
            } else {
              burntL = Math.min(fuelL, generator.idleLPerH / 60);
              fuelL -= burntL;
            }
          }
        }
      }

      const acThereW = sunAcW[ofYear]!;
      const dcW = sunDcW[ofYear]!;
      if (darkNow !== lit) {
        let lightsUp = false;
        if (darkNow === lockedOut) {
          waitedMin += 1;
          if (waitedMin >= resetAfterMin) {
            tries = 0;
            lightsUp = true;
          }
        } else if (darkNow === tripped) {
          waitedMin += 1;
          if (waitedMin >= retryAfterMin) {
            waitedMin = 0;
            tries += retriesPerMinute;
            const mark = running ? overloadsBeside[stage]![minute]! : marks[minute]!;
            if (mark === 0) lightsUp = true;
            else {
              cause = causeOfMark(mark);
              darkNow = tries >= retryTries ? lockedOut : tripped;
            }
          }
        } else lightsUp = running || chargeWh >= comesBackWh;
        if (!lightsUp) {
          // While the house is dark the arrays still fill the battery, unless the inverter is locked out.
          let storedW = 0;
          let dcStoredW = 0;
          let acStoredW = 0;
          if (darkNow === empty) {
            const limitW = Math.min(chargePowerW * chargeShare[ofYearHour]!, (usableWh - chargeWh) * 60);
            dcStoredW = Math.min(dcW * dcChargeEfficiency, limitW);
            // Solar inverters need an island to feed: it is formed without loads, from what the unit never lets out.
            acStoredW = Math.min(Math.max(0, acThereW - standbyW) * chargeEfficiency, limitW - dcStoredW);
            storedW = dcStoredW + acStoredW;
            chargeWh += storedW * hour;
          }
          if (writes) {
            const islandW = acStoredW > 0 ? standbyW : 0;
            flows[flow.demandW] = wantedW[minute]!;
            flows[flow.sunW] = acThereW + dcW;
            flows[flow.storedW] = storedW;
            flows[flow.standbyW] = islandW;
            flows[flow.sunUsedW] = dcStoredW / dcChargeEfficiency + acStoredW / chargeEfficiency + islandW;
            flows[flow.lossW] =
              dcStoredW * (1 / dcChargeEfficiency - 1) + acStoredW * (1 / chargeEfficiency - 1);
            flows[flow.fuelL] = burntL;
          }
          continue;
        }
        darkNow = lit;
        upMin = 0;
      }

      // Shedding by charge.
      const stageBefore = stage;
      while (stage < stageCount && chargeWh <= thresholdsWh[stage]!) stage += 1;
      while (stage > 0 && chargeWh >= Math.min(usableWh, thresholdsWh[stage - 1]! + restoreAboveWh)) {
        stage -= 1;
      }
      if (stage !== stageBefore) {
        wantedW = demandW[stage]!;
        marks = overloads[stage]!;
      }
      const loadW = running ? besideW[stage]![minute]! : wantedW[minute]!;
      if (writes) {
        flows[flow.demandW] = loadW;
        flows[flow.sunW] = acThereW + dcW;
        flows[flow.fuelL] = burntL;
      }
      const mark = running ? overloadsBeside[stage]![minute]! : marks[minute]!;
      if (mark !== 0) {
        cause = causeOfMark(mark);
        darkNow = tries >= retryTries ? lockedOut : tripped;
        waitedMin = 0;
        continue;
      }

      // Who feeds the loads.
      const solarLocked = running && locksSolarOut;
      let acW = 0;
      if (!solarLocked) {
        if (upMin >= solarReturnMin) acW = acThereW;
        else for (const { fromMin, acW: some } of sooner) if (upMin >= fromMin) acW = some[ofYear]!;
      }
      let restW = loadW + standbyW;
      let generatorW = 0;
      if (running && !toCharger) {
        generatorW = restW < generatorMaxW ? restW : generatorMaxW;
        restW -= generatorW;
      }
      const acUsedW = acW < restW ? acW : restW;
      restW -= acUsedW;
      if (restW < slackW) restW = 0;
      let vehicleW = 0;
      if (
        vehicle !== null &&
        restW > 0 &&
        vehicle.role === 'source' &&
        chargeWh <= vehicle.feedsBelow * usableWh
      ) {
        const afterSunW = Math.max(0, restW - acOfDcW(dcW, lossPerW, lossPerW2));
        const leftWh = vehicleWh - vehicle.keeps * vehicle.energyWh;
        vehicleW = Math.max(0, Math.min(afterSunW, vehicle.powerW, leftWh * 60));
        restW -= vehicleW;
      }
      const dcWantedW = dcOfAcW(restW, lossPerW, lossPerW2);
      const dcUsedW = dcW < dcWantedW ? dcW : dcWantedW;
      let batteryW = dcWantedW - dcUsedW;
      // A charger feeds the battery's side, as the cells do.
      let chargerW = 0;
      if (running && toCharger) {
        chargerW = Math.min(batteryW, generatorMaxW * chargeEfficiency);
        batteryW -= chargerW;
        generatorW = chargerW / chargeEfficiency;
      }
      if (batteryW < slackW) batteryW = 0;
      if (batteryW > 0) {
        const byCold = dischargeShare[ofYearHour]!;
        if (byCold < 1 && batteryW > dischargePowerW * byCold) {
          cause = causeNumber.cold;
          darkNow = tries >= retryTries ? lockedOut : tripped;
          waitedMin = 0;
          continue;
        }
        if (chargeWh < dischargeTaperBelowWh) {
          const low = dischargeAtEmpty + (1 - dischargeAtEmpty) * (chargeWh / dischargeTaperBelowWh);
          if (low < 1 && batteryW > dischargePowerW * low) {
            darkNow = empty;
            cause = generator !== null && fuelL <= 0 ? causeNumber.fuel : causeNumber.empty;
            if (untilDark) break;
            continue;
          }
        }
      }
      const drainW = bendsByRate ? drainOf(hardware, batteryW) : batteryW;
      const leftWh = chargeWh - keptWh;
      share = 1;
      if (drainW * hour > leftWh && drainW > 0) share = leftWh > 0 ? leftWh / (drainW * hour) : 0;

      // Who takes what is left.
      let storedW = 0;
      let acStoredW = 0;
      let dcStoredW = 0;
      let generatorStoredW = 0;
      let vehicleInAcW = 0;
      let vehicleInDcW = 0;
      let vehicleInW = 0;
      if (batteryW === 0 && share === 1) {
        const byRoomW = (usableWh - chargeWh) * 60;
        if (byRoomW > 0) {
          const taper =
            chargeWh > chargeTaperFromWh
              ? 1 - ((1 - chargeAtFull) * (chargeWh - chargeTaperFromWh)) / (usableWh - chargeTaperFromWh)
              : 1;
          const byPowerW = chargePowerW * chargeShare[ofYearHour]! * taper;
          const limitW = byPowerW < byRoomW ? byPowerW : byRoomW;
          const dcLeftW = (dcW - dcUsedW) * dcChargeEfficiency;
          dcStoredW = dcLeftW < limitW ? dcLeftW : limitW;
          const acLeftW = (acW - acUsedW) * chargeEfficiency;
          acStoredW = acLeftW < limitW - dcStoredW ? acLeftW : limitW - dcStoredW;
          if (running) {
            const spareW = Math.min(generatorMaxW - generatorW, generator!.chargerW) * chargeEfficiency;
            generatorStoredW = Math.max(0, Math.min(spareW, limitW - dcStoredW - acStoredW));
          }
          storedW = dcStoredW + acStoredW + generatorStoredW;
        }
        if (vehicle !== null && vehicle.role === 'sink') {
          const roomW = Math.max(0, Math.min(vehicle.powerW, (vehicle.energyWh - vehicleWh) * 60));
          vehicleInAcW = Math.min(roomW, Math.max(0, acW - acUsedW - acStoredW / chargeEfficiency));
          const dcLeftW = Math.max(0, dcW - dcUsedW - dcStoredW / dcChargeEfficiency);
          const outW = acOfDcW(dcUsedW + dcLeftW, lossPerW, lossPerW2) - restW;
          const byInverterW = Math.max(0, Math.min(roomW - vehicleInAcW, outW));
          vehicleInDcW = dcOfAcW(restW + byInverterW, lossPerW, lossPerW2) - dcWantedW;
          vehicleInW = vehicleInAcW + byInverterW;
        }
      }
      const generatorOutW = generatorW + generatorStoredW / chargeEfficiency;
      const beforeWh = chargeWh;
      chargeWh += (storedW - drainW * share) * hour;
      if (chargeWh > fullWh) chargeWh = usableWh;
      if (share < 1) chargeWh = keptWh < beforeWh ? keptWh : beforeWh;
      if (vehicle !== null) vehicleWh += (vehicleInW - vehicleW * share) * hour;
      if (running) {
        const { idleLPerH, fullLPerH } = generator!;
        const perHour = idleLPerH + (fullLPerH - idleLPerH) * (generatorOutW / generatorMaxW);
        burntL = Math.min(fuelL, Math.max(0, perHour) / 60);
        fuelL -= burntL;
      }
      if (writes) {
        const acTakenW = acUsedW + acStoredW / chargeEfficiency + vehicleInAcW;
        const dcTakenW = dcUsedW + dcStoredW / dcChargeEfficiency + vehicleInDcW;
        flows[flow.servedW] = loadW * share;
        flows[flow.standbyW] = standbyW * share;
        flows[flow.sunUsedW] = (acTakenW + dcTakenW) * share;
        flows[flow.generatorW] = generatorOutW * share;
        flows[flow.drainW] = drainW * share;
        flows[flow.storedW] = storedW;
        flows[flow.vehicleOutW] = vehicleW * share;
        flows[flow.vehicleInW] = vehicleInW;
        flows[flow.lossW] =
          (dcUsedW + chargerW / chargeEfficiency + drainW - restW) * share +
          (acStoredW + generatorStoredW) * (1 / chargeEfficiency - 1) +
          dcStoredW * (1 / dcChargeEfficiency - 1) +
          (vehicleInDcW - (vehicleInW - vehicleInAcW));
        flows[flow.heldBackShare] = acW > 0 ? Math.max(0, 1 - acTakenW / acW) : 0;
        flows[flow.fuelL] = burntL;
      }
      if (share < 1) {
        darkNow = empty;
        cause = generator !== null && fuelL <= 0 ? causeNumber.fuel : causeNumber.empty;
        if (untilDark) break;
        continue;
      }
      tries = 0;
      upMin = solarLocked ? 0 : upMin + 1;
    }

    state[at.chargeWh] = chargeWh;
    state[at.stage] = stage;
    state[at.dark] = darkNow;
    state[at.tries] = tries;
    state[at.upMin] = upMin;
    state[at.engine] = engineNow;
    state[at.engineMin] = engineMin;
    state[at.fuelL] = fuelL;
    state[at.vehicleWh] = vehicleWh;
    state[at.waitedMin] = waitedMin;
    state[at.cause] = cause;
    state[at.servedShare] = share;
    return minute;
  }
}
