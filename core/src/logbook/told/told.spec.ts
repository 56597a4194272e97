import { describe, expect, it } from 'vitest';
import { builtDemo, builtHouse, builtSeed } from '../../commissioning/details.js';
import { builtInCatalogue } from '../../equipment/index.js';
import { hiddenTruth } from '../../simulator/index.js';
import { yearsBetween } from '../ageing/age-at.js';
import { calibrateLoads } from '../calibration/calibrate-loads.js';
import { builtLogbook } from '../simulated/built-logbook.js';
import type { LogbookQuestion } from './logbook-question.js';
import { measuredAt } from './measured-at.js';
import { toldBattery } from './told-battery.js';
import { toldOutage } from './told-outage.js';

const on = '2023-10-17';
const stagedId = '00000000-0000-4000-8000-0000000000b2';
const ids = [1, 2, 3, 4, 5].map((number) => `00000000-0000-4000-8000-0000000000c${number}`);
const {
  plan: bare,
  record,
  samples,
} = builtDemo({ by: 'Ada', on, host: '127.0.0.1', recordingId: stagedId });
const house = builtHouse(bare);
const { logbook, recordings } = builtLogbook(house, builtSeed, builtInCatalogue, {
  by: 'Ada',
  on,
  recordingIds: ids,
});
const plan = { ...house.design.plan, commissioning: record, logbook };
const question: LogbookQuestion = {
  plan,
  islandId: house.islandId,
  parts: house.design.islands[0]!.stack!.parts,
  weather: null,
  years: [],
  recordings: [{ id: stagedId, beganAt: `${on}T18:00:00Z`, samples }, ...recordings],
};
const battery = toldBattery(question, builtInCatalogue)!;
const truth = hiddenTruth(builtSeed);
const trueWh = (years: number): number =>
  battery.designed.usableWh * truth.capacityTimes * (1 - truth.fadePerYear * years);

describe('three years of a simulated house', () => {
  it('have five outages, one shorter than predicted for a reason that is found', () => {
    const told = logbook.outages.map((outage) => toldOutage(question, battery, outage, builtInCatalogue));
    expect(told).toHaveLength(5);
    for (const { replay } of told) expect(replay!.isExplained).toBe(true);
    const short = told.filter(({ replay }) => replay!.outcome === 'hours');
    expect(short).toHaveLength(1);
    const { replay } = short[0]!;
    expect(replay!.was!).toBeLessThan(0.5 * replay!.predicted.least);
    expect(replay!.reasons[0]!.reason).toBe('sun');
    // What the arrays gave is next to nothing of what was reckoned with.
    expect(replay!.reasons[0]!.was).toBeLessThan(0.1 * replay!.reasons[0]!.reckoned);
    const evidence = told.flatMap(({ loads }) => loads ?? []);
    expect(evidence).toHaveLength(5);
    // Its loads are a few percent off those that were entered, each by itself: nothing to correct.
    expect(calibrateLoads(evidence).isWorthIt).toBe(false);
  });

  it('measure the battery within their errors of what it hides', () => {
    expect(battery.evidence.length).toBeGreaterThanOrEqual(3);
    for (const { point } of battery.evidence)
      expect(Math.abs(point.usableWh - trueWh(point.years))).toBeLessThan(3 * point.errorWh);
    const years = yearsBetween(on, '2026-11-28');
    const { least, most } = battery.forecast.years[Math.round(years)]!;
    const share = trueWh(Math.round(years)) / battery.designed.usableWh;
    expect(share).toBeGreaterThan(least - 0.01);
    expect(share).toBeLessThan(most + 0.01);
    expect(battery.forecast.atEnd).toBe('holds');
  });

  it('give a design what the battery is now, over what its data sheet makes of its age', () => {
    const years = 3;
    const measured = measuredAt(battery, years, '2026-10-17T00:00:00Z')!;
    const bySheet = battery.designed.usableWh * (1 - battery.sheetFadePerYear * years);
    expect(measured.usableTimes * bySheet).toBeGreaterThan(0.95 * trueWh(years));
    expect(measured.usableTimes * bySheet).toBeLessThan(1.05 * trueWh(years));
    expect(measuredAt({ ...battery, evidence: [] }, years, '2026-10-17T00:00:00Z')).toBeNull();
  });

  it('are said of what is warranted of its units, where somebody says that', () => {
    const units = logbook.units.map((unit) => ({ ...unit, warrantedShare: 0.8, warrantyYears: 12 }));
    const said = toldBattery(
      { ...question, plan: { ...plan, logbook: { ...logbook, units } } },
      builtInCatalogue,
    )!;
    expect(said.warranted).toEqual({ share: 0.8, years: 12, isSaid: true });
    expect(battery.warranted).toEqual({ share: 0.7, years: 10, isSaid: false });
  });
});
