import { describe, expect, it } from 'vitest';
import { idealBattery, idealUnit } from '../../equipment/testing/ideal-unit.js';
import { aLoad, allSeasons, aroundTheClock } from '../../house/testing/loads.js';
import { continuousMargin } from '../margins/continuous-margin.js';
import { startingMargin } from '../margins/starting-margin.js';
import { playOutage } from '../outage/play-outage.js';
import { pickupReport } from '../pickup/pickup-report.js';
import { shedTiming } from '../pickup/shed-timing.js';
import { anOutageYear } from '../testing/outages.js';
import type { Load } from '../../house/index.js';

/** 6 kVA, for 5 s 9 and for half a second 12; a battery of 4 kW, for seconds 7. */
const unit = { ...idealUnit, battery: { ...idealBattery, dischargePowerW: 4000, peakPowerW: 7000 } };
const constant = (watts: number, powerFactor: number, changes: Partial<Load> = {}): Load =>
  aLoad({
    kind: 'other',
    runningPowerW: watts,
    powerFactor,
    dutyCycle: 1,
    use: allSeasons(aroundTheClock),
    tier: 'must',
    legs: 'L1-L2',
    ...changes,
  });
const study = (loads: Load[], of = unit) => {
  const year = anOutageYear({ loads, unit: of, brief: { powerBasis: 'all-at-once' } });
  return {
    continuous: continuousMargin(year.context, year.stack),
    starting: startingMargin(year.context, year.stack),
    year,
    ...playOutage(year, 0, 60),
  };
};

const trips = ({ events }: ReturnType<typeof study>): string[] =>
  events.filter(({ kind }) => kind === 'trip').map(({ what }) => what);

// By the definition of apparent power, S = P ÷ cos φ: 3.6 kW at 0.72 are 5 kVA.
describe('watts of the battery and volt-amperes of the inverter', () => {
  it('are held against limits of their own: what lags is the inverter’s alone', () => {
    const { continuous, cause } = study([constant(3600, 0.72)]);
    expect(continuous.ratio).toBeCloseTo(3.6 / 4, 9);
    expect(continuous.limit.unit).toBe('W');
    expect(continuous.cure).toMatch(/battery module/);
    expect(cause).toBe('none');
  });

  it('name the inverter where its volt-amperes come first', () => {
    const { continuous, cause } = study([constant(3900, 0.6)]);
    expect(continuous.ratio).toBeCloseTo(6.5 / 6, 9);
    expect(continuous.limit.unit).toBe('VA');
    expect(cause).toBe('overload');
  });

  it('end an outage by the battery where its watts are passed for longer than seconds', () => {
    const { continuous, cause } = study([constant(4400, 1)]);
    expect(continuous.verdict).toBe('fails');
    expect(cause).toBe('overload-battery');
  });

  it('count a start as watts: it must stay below the peak of the battery', () => {
    const motor = (multiple: number) =>
      constant(800, 0.8, {
        id: 'motor',
        kind: 'pump',
        quantity: 1,
        dutyCycle: 0.5,
        cyclesPerHour: 4,
        start: { how: 'multiple', multiple, durationS: 0.4 },
      });
    // 1 kVA running; beside it 2 kW: 6 + 2 of 7 kW, of the inverter 6 + 2.5 of 12 kVA.
    const heavy = study([motor(6), constant(2000, 0.8, { id: 'rest' })]);
    expect(heavy.starting.ratio).toBeCloseTo(8 / 7, 9);
    expect(heavy.starting.limit.unit).toBe('W');
    // It tries again, and holds once the start is over.
    expect(trips(heavy)).toContain('starting');
    const light = study([motor(4.5), constant(2000, 0.8, { id: 'rest' })]);
    expect(light.starting.ratio).toBeCloseTo(6.5 / 7, 9);
    expect(trips(light)).toEqual([]);
    expect(pickupReport(heavy.year.context, heavy.year.stack).part).toBe('battery');
  });

  it('decide together how long an overload is held', () => {
    const { year } = study([constant(4800, 1)]);
    expect(shedTiming(year.context, year.stack)).toMatchObject({ part: 'battery', heldS: 5, byHandVA: 800 });
  });
});
