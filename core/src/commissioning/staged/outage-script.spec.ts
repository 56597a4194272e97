import { describe, expect, it } from 'vitest';
import type { OutageExpectation } from './expectation.js';
import { hoursCompared } from './hours-at.js';
import type { DesignedBattery, MeasuredBattery } from './measured-battery.js';
import { outageScript } from './outage-script.js';
import type { RecordedEvent, RecordedEventKind } from './recognise-events.js';

const expects: OutageExpectation = {
  usableWh: 20_000,
  nominalHz: 50,
  solarWaitsS: 300,
  watchesS: 300,
  carriesW: 8000,
  generator: null,
};
const event = (second: number, kind: RecordedEventKind): RecordedEvent => ({ second, kind, amount: null });
const statesAt = (second: number, events: readonly RecordedEvent[], hadSun = true): Record<string, string> =>
  Object.fromEntries(
    outageScript(expects, events, second, 'Main', hadSun).map(({ id, state }) => [id, state]),
  );

describe('the script of a staged outage', () => {
  it('waits two minutes, then asks for the grid to be taken away at the handle the wiring has', () => {
    expect(statesAt(60, [])).toMatchObject({ before: 'now', away: 'later' });
    expect(statesAt(130, [])).toMatchObject({ before: 'done', away: 'now', island: 'later' });
    const away = outageScript(expects, [], 130, 'Main of the cellar', true).find(({ id }) => id === 'away')!;
    expect(away.text).toContain('Main of the cellar');
  });

  it('goes on by what is seen, and says what is late', () => {
    const gone = [event(150, 'grid-away'), event(151, 'island')];
    expect(statesAt(160, gone)).toMatchObject({ away: 'done', island: 'done', people: 'now' });
    expect(statesAt(220, gone)).toMatchObject({ people: 'done', solar: 'now' });
    // People are asked until 211; solar waits 300 s, and is late three minutes after that.
    expect(statesAt(211 + 300 + 181, gone)).toMatchObject({ solar: 'late', heated: 'later' });
    const back = [...gone, event(500, 'solar-back')];
    expect(statesAt(501, back)).toMatchObject({ solar: 'done', heated: 'now' });
    expect(statesAt(500 + 3600, back)).toMatchObject({ heated: 'done', idle: 'now' });
    expect(Object.keys(statesAt(0, [], false))).not.toContain('solar');
  });

  it('leaves out what was overtaken: the grid was given back early', () => {
    const early = [
      event(150, 'grid-away'),
      event(151, 'island'),
      event(900, 'grid-back'),
      event(1200, 'on-grid'),
    ];
    expect(statesAt(1210, early)).toMatchObject({
      people: 'done',
      solar: 'left out',
      heated: 'left out',
      idle: 'left out',
      back: 'done',
      return: 'done',
      after: 'now',
    });
  });
});

describe('hours as predicted and as measured', () => {
  const designed: DesignedBattery = {
    usableWh: 13_500,
    standbyW: 0,
    lossPerW: 0,
    lossPerW2: 0,
    chargeEfficiency: 0.95,
    peukert: null,
  };
  const measured = (usableWh: number, standbyW: number | null, meanW: number): MeasuredBattery => ({
    usableWh: { value: usableWh, error: 0.01 * usableWh },
    standbyW: standbyW === null ? null : { value: standbyW, error: 5 },
    roundTrip: null,
    dischargeTimes: 1,
    chargeTimes: 1,
    meanW,
    hours: 5,
    share: 0.3,
  });

  // 92 % of 13.5 kWh at 1.1 kW: 11.3 h without losses (common practice, no source).
  it('are energy over power where nothing is lost', () => {
    const { predictedH } = hoursCompared(measured(13_500, null, 1100), {
      ...designed,
      usableWh: 0.92 * 13_500,
    });
    expect(predictedH).toBeCloseTo(11.29, 2);
  });

  it('differ by what was measured, the larger reason first', () => {
    const { predictedH, measuredH, differences, errorH } = hoursCompared(measured(12_150, 10, 1000), {
      ...designed,
      standbyW: 20,
    });
    expect(predictedH).toBeCloseTo(13_500 / 1020, 9);
    expect(measuredH).toBeCloseTo(12_150 / 1010, 9);
    expect(differences.map(({ what }) => what)).toEqual(['capacity', 'stand-by']);
    expect(differences[0]!.hours).toBeCloseTo(-1350 / 1020, 9);
    expect(differences[1]!.hours).toBeGreaterThan(0);
    expect(errorH).toBeCloseTo(Math.hypot(0.01 * measuredH, 12_150 / 1015 - 12_150 / 1010), 9);
  });
});
