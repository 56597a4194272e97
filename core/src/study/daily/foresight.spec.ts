import { createRequire } from 'node:module';
import type { LegacyHighs } from 'highs';
import { describe, expect, it } from 'vitest';
import { type MarginalPrices, marginalPrices, priceCalendar } from '../../tariff/details.js';
import { sampleTariffs } from '../../tariff/index.js';
import { seededRandom } from '../../base/index.js';
import type { DailyBattery } from './daily-battery.js';
import { ownSolarLevels } from './charge-levels.js';
import { priceLevels } from './price-levels.js';
import { playYear, type YearOfEnergy } from './play-year.js';

/** Its types know no default export under Node's own resolution. */
const createHighs = createRequire(import.meta.url)('highs') as () => Promise<LegacyHighs>;

const battery: DailyBattery = {
  usableWh: 13_000,
  floorWh: 1500,
  chargePowerW: 4600,
  chargeEfficiency: 0.95,
  dcChargeEfficiency: 0.97,
  givesW: 5000,
  lossPerW: 0.05,
  lossPerW2: 0,
  standbyW: 40,
};

/** An invented house: a hump in the morning and one in the evening, days that differ; an array under a sky that comes and goes. */
function inventedYear(seed: number, arrayW: number, days = 365): YearOfEnergy {
  const random = seededRandom(seed);
  const loadWh = new Float64Array(days * 24);
  const sunAcWh = new Float64Array(days * 24);
  for (let day = 0; day < days; day += 1) {
    const busy = 0.6 + 0.8 * random();
    const clear = 0.15 + 0.85 * random();
    const season = 1 - 0.55 * Math.cos((2 * Math.PI * (day + 10)) / 365);
    for (let hour = 0; hour < 24; hour += 1) {
      const hump = (at: number, wide: number): number => Math.exp(-(((hour - at) / wide) ** 2));
      loadWh[day * 24 + hour] =
        busy * (350 + 900 * hump(7, 1.6) + 1900 * hump(19, 2.4)) * (0.7 + 0.6 * random());
      sunAcWh[day * 24 + hour] =
        arrayW * 0.75 * clear * season * Math.max(0, Math.sin(((hour - 5.5) / 13) * Math.PI)) ** 1.4 || 0;
    }
  }
  return { intervalMin: 60, loadWh, sunAcWh, sunDcWh: new Float64Array(days * 24) };
}

const costOf = (prices: MarginalPrices, importWh: ArrayLike<number>, exportWh: ArrayLike<number>): number =>
  Array.from(importWh).reduce(
    (sum, wh, i) => sum + (wh * prices.importPerKWh[i]! - exportWh[i]! * prices.exportPerKWh[i]!) / 1000,
    0,
  );

/** The least a year can cost with everything known beforehand: a linear program, solved by HiGHS. */
async function leastCost(year: YearOfEnergy, prices: MarginalPrices): Promise<number> {
  const { usableWh, floorWh, chargePowerW, chargeEfficiency, givesW, lossPerW, standbyW } = battery;
  const n = year.loadWh.length;
  const lines: string[] = ['Minimize', ' cost:'];
  for (let i = 0; i < n; i += 1)
    lines.push(` + ${prices.importPerKWh[i]! / 1000} b${i} - ${prices.exportPerKWh[i]! / 1000} e${i}`);
  lines.push('Subject To');
  for (let i = 0; i < n; i += 1) {
    const net = year.loadWh[i]! + standbyW - year.sunAcWh[i]!;
    // Grid and battery make up what sun leaves open; d is AC energy.
    lines.push(` b${i} - e${i} - c${i} + d${i} = ${net}`);
    lines.push(` q${(i + 1) % n} - q${i} - ${chargeEfficiency} c${i} + ${1 + lossPerW} d${i} = 0`);
    // Nothing goes out of the battery.
    lines.push(` e${i} <= ${Math.max(0, -net)}`);
  }
  lines.push('Bounds');
  for (let i = 0; i < n; i += 1)
    lines.push(
      ` ${floorWh} <= q${i} <= ${usableWh}`,
      ` c${i} <= ${chargePowerW / chargeEfficiency}`,
      ` d${i} <= ${givesW}`,
    );
  lines.push('End');
  const highs = await createHighs();
  const solved = highs.solve(lines.join('\n'));
  if (solved.Status !== 'Optimal') throw new Error(solved.Status);
  return solved.ObjectiveValue;
}

describe('a battery that follows prices', () => {
  const names = ['one-price', 'day-night', 'three-bands'];
  it.each(names)('never does better than perfect foresight, and most of it: %s', async (id) => {
    const tariff = sampleTariffs('CAD', '', false).find((one) => one.id === id)!;
    const days = 120;
    const grid = { startS: Date.UTC(2026, 0, 1) / 1000, intervalS: 3600, count: days * 24, zone: 'UTC' };
    const prices = marginalPrices(tariff, priceCalendar(tariff, grid));
    for (const arrayW of [0, 6000]) {
      if (arrayW === 0 && id === 'one-price') continue;
      const year = inventedYear(3, arrayW, days);
      const least = await leastCost(year, prices);
      const without = playYear(year, null, ownSolarLevels);
      const alone = costOf(prices, without.importWh, without.exportWh);
      const rules = { gridCharging: true, sendsOut: false, importLimitW: Infinity };
      const played = playYear(year, battery, priceLevels(year, battery, prices, rules));
      const cost = costOf(prices, played.importWh, played.exportWh);
      // Charge that is left over is worth no more than the dearest price.
      const slack = (Math.max(0, -played.gainedWh) / 1000) * Math.max(...Array.from(prices.importPerKWh));
      const own = playYear(year, battery, ownSolarLevels);
      expect(costOf(prices, own.importWh, own.exportWh) + 5).toBeGreaterThanOrEqual(least);
      expect(cost + slack).toBeGreaterThanOrEqual(least - 1e-6 * Math.abs(least));
      expect(alone - cost).toBeGreaterThanOrEqual(0.85 * (alone - least));
    }
  });
});
