import { acOfDcW, dcOfAcW } from '../../electric/index.js';
import type { DailyBattery } from './daily-battery.js';
import type { LevelsAt } from './charge-levels.js';

/** What a year brings, interval by interval from midnight of standard time on, Wh. */
export interface YearOfEnergy {
  readonly intervalMin: number;
  readonly loadWh: ArrayLike<number>;
  /** Sun at the AC side, and at the inputs of the battery's inverter. */
  readonly sunAcWh: ArrayLike<number>;
  readonly sunDcWh: ArrayLike<number>;
}

/** Where the energy of a year went. */
export interface PlayedYear {
  readonly importWh: Float64Array;
  readonly exportWh: Float64Array;
  /** Charge at the beginning of each interval, Wh above empty; none without a battery. */
  readonly chargeWh: Float64Array;
  readonly sunWh: number;
  readonly loadWh: number;
  /** What the inverters took for themselves. */
  readonly standbyWh: number;
  /** AC energy the battery gave, and what left its cells for it. */
  readonly givenWh: number;
  readonly drawnWh: number;
  /** Of what was sent out, that which came from the battery. */
  readonly sentFromBatteryWh: number;
  /** Charged from the grid, at the AC side. */
  readonly chargedFromGridWh: number;
  /** Lost in charging, discharging and conversion; sun that nothing took. */
  readonly lostWh: number;
  readonly curtailedWh: number;
  /** Charge at the end less that at the beginning. */
  readonly gainedWh: number;
}

/** Days played before the year begins, so that its first charge is that of its last days. */
const leadDays = 14;

/**
 * Plays a year with the grid there. In every interval the levels of a strategy say up to which charge the sun is stored and the grid charges, and
 * down to which the house is fed and energy sent out; a limit on what is taken from the grid goes before them.
 *
 * @param battery null = there is none
 * @param importLimitW power above which the battery helps, whatever its levels say; Infinity = none
 */
export function playYear(
  { intervalMin, loadWh, sunAcWh, sunDcWh }: YearOfEnergy,
  battery: DailyBattery | null,
  levelsAt: LevelsAt,
  importLimitW = Infinity,
): PlayedYear {
  const count = loadWh.length;
  const hours = intervalMin / 60;
  const perDay = 1440 / intervalMin;
  const importWh = new Float64Array(count);
  const exportWh = new Float64Array(count);
  const chargeWh = new Float64Array(count);
  const { usableWh, floorWh, chargeEfficiency, dcChargeEfficiency, lossPerW, lossPerW2 } =
    battery ?? noBattery;
  const mostIntoWh = (battery?.chargePowerW ?? 0) * hours;
  const standbyWh = (battery?.standbyW ?? 0) * hours;
  const mostAcWh = (battery ?? noBattery).givesW * hours;
  const limitWh = importLimitW * hours;
  const dcOf = (wh: number): number => dcOfAcW(wh / hours, lossPerW, lossPerW2) * hours;
  const acOf = (wh: number): number => acOfDcW(wh / hours, lossPerW, lossPerW2) * hours;
  let now = floorWh + (usableWh - floorWh) / 2;
  let began = now;
  let [sun, load, given, drawn, sent, fromGrid, lost, curtailed] = [0, 0, 0, 0, 0, 0, 0, 0];
  for (let step = -leadDays * perDay; step < count; step += 1) {
    if (step === 0) {
      began = now;
      [sun, load, given, drawn, sent, fromGrid, lost, curtailed] = [0, 0, 0, 0, 0, 0, 0, 0];
    }
    const i = step < 0 ? step + count : step;
    chargeWh[i] = now;
    const levels = levelsAt(i);
    sun += sunAcWh[i]! + sunDcWh[i]!;
    load += loadWh[i]!;
    let net = loadWh[i]! + standbyWh - sunAcWh[i]!;
    let dc = sunDcWh[i]!;
    let leftAc = mostAcWh;
    let room = mostIntoWh;
    // Direct current goes to the house first, through the inverter.
    if (net > 0 && dc > 0) {
      const used = Math.min(dc, dcOf(Math.min(net, leftAc)));
      const got = acOf(used);
      dc -= used;
      net -= got;
      leftAc -= got;
      lost += used - got;
    }
    const store = (upToWh: number): number =>
      Math.max(0, Math.min(room, Math.min(usableWh, floorWh + upToWh) - now));
    if (dc > 0) {
      const into = Math.min(store(levels.sunWh), dc * dcChargeEfficiency);
      now += into;
      room -= into;
      dc -= into / dcChargeEfficiency;
      lost += into / dcChargeEfficiency - into;
      const used = Math.min(dc, dcOf(leftAc));
      const got = acOf(used);
      leftAc -= got;
      lost += used - got;
      curtailed += dc - used;
      net -= got;
    }
    if (net < 0) {
      const into = Math.min(store(levels.sunWh), -net * chargeEfficiency);
      now += into;
      room -= into;
      net += into / chargeEfficiency;
      lost += into / chargeEfficiency - into;
    }
    const needed = Math.max(0, net);
    const charged = Math.min(store(levels.gridWh), Math.max(0, limitWh - needed) * chargeEfficiency);
    if (charged > 0) {
      now += charged;
      net += charged / chargeEfficiency;
      fromGrid += charged / chargeEfficiency;
      lost += charged / chargeEfficiency - charged;
    } else if (battery !== null) {
      // The house is fed down to its level, what is above the limit down to the floor; then comes what is sent out.
      const overWh = Math.max(0, needed - limitWh);
      const toHouse = Math.min(needed, leftAc);
      const above = (level: number): number => Math.max(0, now - floorWh - level);
      let out = Math.min(dcOf(toHouse), above(levels.loadWh));
      if (overWh > 0) out = Math.max(out, Math.min(dcOf(Math.min(overWh, leftAc)), above(0)));
      if (above(levels.sendWh) > out) out = Math.max(out, Math.min(dcOf(leftAc), above(levels.sendWh)));
      if (out > 0) {
        const got = acOf(out);
        now -= out;
        given += got;
        drawn += out;
        lost += out - got;
        sent += Math.max(0, got - needed);
        net -= got;
      }
    }
    importWh[i] = Math.max(0, net);
    exportWh[i] = Math.max(0, -net);
  }
  return {
    importWh,
    exportWh,
    chargeWh,
    sunWh: sun,
    loadWh: load,
    standbyWh: standbyWh * count,
    givenWh: given,
    drawnWh: drawn,
    sentFromBatteryWh: sent,
    chargedFromGridWh: fromGrid,
    lostWh: lost,
    curtailedWh: curtailed,
    gainedWh: now - began,
  };
}

/** Direct current without a battery still needs an inverter: as good as the usual one. */
const noBattery = {
  usableWh: 0,
  floorWh: 0,
  chargeEfficiency: 1,
  dcChargeEfficiency: 1,
  givesW: 1e9,
  lossPerW: 0.04,
  lossPerW2: 0,
} as const;
