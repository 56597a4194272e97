import { dcOfAcW } from '../../electric/index.js';
import type { MarginalPrices } from '../../tariff/details.js';
import type { LevelsAt } from './charge-levels.js';
import { type ChargeValue, evenValue, levelWh, type PlannedBattery, valueBefore } from './charge-value.js';
import type { DailyBattery } from './daily-battery.js';
import type { YearOfEnergy } from './play-year.js';

/** What a battery that follows prices may do. */
export interface PriceRules {
  readonly gridCharging: boolean;
  /** May energy be sent out of the battery? */
  readonly sendsOut: boolean;
  readonly importLimitW: number;
}

/** What the house will take is expected as on the mean of so many days before. */
const remembersDays = 7;
const planHours = 36;

/**
 * Levels of a strategy that follows prices. At every midnight it looks a day and a half ahead with what can be known then: the prices; the house
 * as it was in the last week, hour by hour; a forecast of how much the sun will give in a day, spread over the hours as in the last
 * week. From these it works out what a charge is worth at the end of each hour ({@link valueBefore}), and then charges and feeds
 * where that pays, with what the house and the sun really do.
 */
export function priceLevels(
  year: YearOfEnergy,
  battery: DailyBattery,
  prices: MarginalPrices,
  rules: PriceRules,
): LevelsAt {
  const { intervalMin } = year;
  const perHour = 60 / intervalMin;
  const perDay = perHour * 24;
  const count = year.loadWh.length;
  const days = count / perDay;
  const hourly = (of: ArrayLike<number>, more: ArrayLike<number> | null = null): Float64Array => {
    const sums = new Float64Array(count / perHour);
    for (let i = 0; i < count; i += 1) sums[Math.floor(i / perHour)]! += of[i]! + (more ? more[i]! : 0);
    return sums;
  };
  const loadH = hourly(year.loadWh);
  const sunH = hourly(year.sunAcWh, year.sunDcWh);
  const importH = hourly(prices.importPerKWh);
  const exportH = hourly(prices.exportPerKWh);
  const { chargeEfficiency, floorWh, usableWh, chargePowerW, givesW, lossPerW, lossPerW2, standbyW } =
    battery;
  // Planning takes losses as straight: those at half of the power.
  const dischargeEfficiency = givesW > 0 ? givesW / 2 / dcOfAcW(givesW / 2, lossPerW, lossPerW2) : 1;
  const planned: PlannedBattery = {
    windowWh: usableWh - floorWh,
    chargeWh: chargePowerW,
    dischargeWh: givesW / dischargeEfficiency,
    chargeEfficiency,
    dischargeEfficiency,
  };
  const daySun = new Float64Array(days);
  for (let h = 0; h < sunH.length; h += 1) daySun[Math.floor(h / 24)]! += sunH[h]!;

  /** Worth of a charge at the end of each hour of the day that was planned. */
  const ends: ChargeValue[] = [];
  let plannedDay = -1;
  const plan = (day: number): void => {
    const expectedLoad = new Float64Array(24);
    const shape = new Float64Array(24);
    for (let back = 1; back <= remembersDays; back += 1) {
      const from = ((day - back + days) % days) * 24;
      for (let h = 0; h < 24; h += 1) {
        expectedLoad[h]! += loadH[from + h]! / remembersDays;
        shape[h]! += sunH[from + h]!;
      }
    }
    const shapeSum = shape.reduce((sum, wh) => sum + wh, 0);
    const hour = (ahead: number) => {
      const ofDay = (day + Math.floor(ahead / 24)) % days;
      const h = ahead % 24;
      const sunWh = shapeSum > 0 ? (daySun[ofDay]! * shape[h]!) / shapeSum : 0;
      const netWh = expectedLoad[h]! + standbyW - sunWh;
      const at = ofDay * 24 + h;
      const importPrice = importH[at]! / perHour / 1000;
      const needWh = Math.max(0, netWh);
      return {
        needWh,
        surplusWh: Math.max(0, -netWh),
        importPrice,
        exportPrice: Math.min(importPrice, exportH[at]! / perHour / 1000),
        fromGridWh: rules.gridCharging ? Math.max(0, rules.importLimitW - needWh) * chargeEfficiency : 0,
        sentOutWh: rules.sendsOut ? Infinity : 0,
      };
    };
    const hours = Array.from({ length: planHours }, (_, ahead) => hour(ahead));
    const cheapest = hours.reduce((least, { importPrice }) => Math.min(least, importPrice), Infinity);
    let value = evenValue(planned.windowWh, cheapest * dischargeEfficiency);
    for (let ahead = planHours - 1; ahead >= 0; ahead -= 1) {
      if (ahead < 24) ends[ahead] = value;
      value = valueBefore(value, hours[ahead]!, planned);
    }
    plannedDay = day;
  };

  return (interval) => {
    const day = Math.floor(interval / perDay);
    if (day !== plannedDay) plan(day);
    const value = ends[Math.floor((interval % perDay) / perHour)]!;
    const importPrice = prices.importPerKWh[interval]! / 1000;
    const exportPrice = Math.min(importPrice, prices.exportPerKWh[interval]! / 1000);
    return {
      sunWh: levelWh(value, exportPrice / chargeEfficiency),
      gridWh: rules.gridCharging ? levelWh(value, importPrice / chargeEfficiency) : 0,
      // A Wh that is worth no more in the battery than now goes out: levels are those of what is worth more.
      loadWh: levelWh(value, importPrice * dischargeEfficiency * (1 + 1e-9)),
      sendWh: rules.sendsOut ? levelWh(value, exportPrice * dischargeEfficiency * (1 + 1e-9)) : Infinity,
    };
  };
}
