import { describe, expect, it } from 'vitest';
import { seasonOfDay } from '../../nature/index.js';
import { builtInCatalogue } from '../../equipment/index.js';
import { demoPlans, nearestClimate, outageSettingsOf, type Plan } from '../../design/index.js';
import { evaluatePlan } from '../evaluation/evaluate-plan.js';
import { simulatedRuntimeMargin } from './simulated-runtime-margin.js';
import { aLoad, allSeasons, aroundTheClock } from '../../house/testing/loads.js';
import { idealUnit } from '../../equipment/testing/ideal-unit.js';
import { anOutageYear, steadyWeather } from '../testing/outages.js';
import { OutageDrill } from './drill.js';
import { helpfulChanges } from '../help/helpful-changes.js';
import { studyYear, type OutageStudy } from './outage-study.js';
import { everyHours } from './season-windows.js';
import { seasonOutlook } from './season-outlook.js';
import { seasonStretch } from './season-stretch.js';
import { playOutage } from './play-outage.js';
import { runtimeOutlook } from './runtime-outlook.js';
import { recordSurvived, survivalCurve } from './survival.js';
import { hoursOfSeason, reachedMin, yearMap } from './year-map.js';

const [farm, rowHouse] = demoPlans.map(({ plan }) => plan) as [Plan, Plan];
const studyOf = (plan: typeof farm): OutageStudy => ({
  plan,
  islandId: '',
  parts: evaluatePlan(plan, builtInCatalogue).selected!.stack.parts,
  weather: null,
});
const farmStudy = studyOf(farm);
const farmYear = studyYear(farmStudy, builtInCatalogue)!;

describe('seasons', () => {
  it('cover the year once, north and south of the equator', () => {
    for (const latitude of [50, -35]) {
      const hours = (['winter', 'shoulder', 'summer'] as const).flatMap((one) =>
        hoursOfSeason(one, latitude),
      );
      expect(new Set(hours).size).toBe(8760);
    }
    expect(seasonOfDay(0, 50)).toBe('winter');
    expect(seasonOfDay(0, -35)).toBe('summer');
    expect(seasonStretch('winter', 50)).toEqual([{ firstDay: 334, days: 90 }]);
    expect(seasonStretch('shoulder', 50).reduce((sum, { days }) => sum + days, 0)).toBe(183);
  });
  it('take the climate nearest to the place', () => {
    expect(nearestClimate(45.1, -64.6).id).toBe('cold-coast');
    expect(nearestClimate(-33, 150).id).toBe('southern-temperate');
    // Places and the climates a geographer would name for them (common practice, no source).
    const places = [
      [34, -84, 'mixed'],
      [33.4, -112, 'desert'],
      [39.7, -105, 'highland'],
      [25.8, -80.2, 'hot-humid'],
      [47.6, -122.3, 'rainy-coast'],
      [44.9, -93.2, 'cold-inland'],
      [46.8, -71.2, 'cold-coast'],
      [51.5, 0, 'atlantic-europe'],
      [48.2, 16.4, 'central-europe'],
      [40.4, -3.7, 'mediterranean'],
      [38.7, -9.1, 'mediterranean'],
      [-37, 175, 'southern-temperate'],
      [1.3, 103.8, 'tropical'],
    ] as const;
    for (const [latitude, longitude, id] of places) expect(nearestClimate(latitude, longitude).id).toBe(id);
    expect(outageSettingsOf(rowHouse).climate.value.id).toBe('central-europe');
  });
});

describe('the map of a year', () => {
  const survived = Float32Array.from({ length: 8760 }, (_, hour) => 60 * (10 + (hour % 24)));
  const cause = Uint8Array.from({ length: 8760 }, (_, hour) => (hour < 100 ? 2 : 1));
  const map = yearMap(survived, cause);
  it('has a cell for each month and clock hour, and counts what fails', () => {
    expect(map.cells).toHaveLength(12 * 24);
    const cell = map.cells.find(({ month, clockHour }) => month === 6 && clockHour === 5)!;
    expect([cell.shortestH, cell.nineOfTenH, cell.medianH]).toEqual([15, 15, 15]);
    expect(map.causes).toEqual([
      { cause: 'empty', count: 8660 },
      { cause: 'overload', count: 100 },
    ]);
    expect(map.worstHour % 24).toBe(0);
  });
  it('knows what a share of the outages reaches', () => {
    const values = Array.from({ length: 100 }, (_, i) => i + 1);
    const all = values.map((_, i) => i);
    expect(reachedMin(values, all, 1)).toBe(1);
    expect(reachedMin(values, all, 0.95)).toBe(6);
    expect(reachedMin(values, all, 0.5)).toBe(51);
  });
});

describe('chances', () => {
  const always = new Float32Array(8760).fill(10 * 60);
  const half = Float32Array.from({ length: 8760 }, (_, hour) => (hour % 2 === 0 ? 4 * 60 : 20 * 60));
  it('fall with the length, and the band holds the years', () => {
    const curve = survivalCurve([always, half], 'year', 45);
    const at = (hours: number) => curve.find((point) => point.hours === hours)!;
    expect(at(4)).toEqual({ hours: 4, share: 1, low: 1, high: 1 });
    expect(at(8)).toEqual({ hours: 8, share: 0.75, low: 0.5, high: 1 });
    expect(at(12)).toEqual({ hours: 12, share: 0.25, low: 0, high: 0.5 });
    for (let i = 1; i < curve.length; i += 1)
      expect(curve[i]!.share).toBeLessThanOrEqual(curve[i - 1]!.share);
  });
  it('of outages on record count each of its own length', () => {
    expect(recordSurvived([always], [30, 599, 601, 10_000])).toBe(0.5);
    expect(recordSurvived([half], [300])).toBe(0.5);
  });
});

describe('the runtime that is simulated', () => {
  it('lies near the closed formula where there is no sun, and beyond it with sun', () => {
    const { settings, margins } = evaluatePlan(farm, builtInCatalogue);
    const plain = margins.find(({ key }) => key === 'runtime')!;
    const brief = (outageWeather: 'no-sun' | 'hard' | 'usual') => ({
      ...farm,
      brief: { ...farm.brief, outageWeather },
    });
    const outlook = (weather: 'no-sun' | 'hard' | 'usual') =>
      runtimeOutlook({ ...farmStudy, plan: brief(weather) }, builtInCatalogue)!;
    const [dark, hard] = [outlook('no-sun'), outlook('hard')];
    expect(dark.nineteenOfTwentyH / plain.limit.value).toBeGreaterThan(0.93);
    expect(dark.nineteenOfTwentyH / plain.limit.value).toBeLessThan(1.07);
    expect(hard.nineteenOfTwentyH).toBeGreaterThan(dark.nineteenOfTwentyH);
    expect(outlook('usual').medianH).toBeGreaterThan(hard.nineteenOfTwentyH);
    const margin = simulatedRuntimeMargin(settings, plain, hard);
    expect(margin.ratio).toBeCloseTo(28 / margin.limit.value, 9);
    expect(margin.limit.inputs['plain']).toBe(plain.limit);
    expect(margin.limitAtLeast).toBe(false);
    const capped = { ...hard, nineteenOfTwentyH: hard.followedH };
    expect(simulatedRuntimeMargin(settings, plain, capped).limitAtLeast).toBe(true);
  });

  it('names what ends the outages that make the figure shown, not the commonest ending', () => {
    const settings = evaluatePlan(farm, builtInCatalogue).settings;
    const plain = evaluatePlan(farm, builtInCatalogue).margins.find(({ key }) => key === 'runtime')!;
    const outlook = runtimeOutlook(farmStudy, builtInCatalogue)!;
    const ended = (cause: 'empty' | 'overload-l1') =>
      simulatedRuntimeMargin(settings, plain, {
        ...outlook,
        hardEnding: { cause, share: 0.8 },
        usualEnding: { cause: 'empty', share: 1 },
      });
    expect(ended('overload-l1').culprit).toContain('overload on L1');
    expect(ended('overload-l1').cure).not.toMatch(/^Add battery/);
    expect(ended('empty').culprit).toBe(plain.culprit);
  });
});

describe('what would help', () => {
  const changes = helpfulChanges(farm, farmStudy.parts, builtInCatalogue);
  it('offers changes of every kind, each once, and each still a job that can be played', () => {
    expect(new Set(changes.map(({ id }) => id)).size).toBe(changes.length);
    const kinds = new Set(changes.map(({ kind }) => kind));
    for (const kind of ['load', 'start', 'battery', 'inverter', 'generator', 'sun', 'household'])
      expect(kinds).toContain(kind);
    for (const { plan, parts } of changes)
      expect(studyYear({ ...farmStudy, plan, parts }, builtInCatalogue)).not.toBeNull();
  });
  it('gains hours from more battery, fewer loads and a saving household', () => {
    const wish = { startsOf: everyHours(24), requiredH: 28, followedMin: 72 * 60 };
    const now = seasonOutlook(farmYear, 'winter', wish).meanH;
    for (const id of ['unit.madder-pack', 'household', changes.find(({ kind }) => kind === 'load')!.id]) {
      const { plan, parts } = changes.find((change) => change.id === id)!;
      const year = studyYear({ ...farmStudy, plan, parts }, builtInCatalogue)!;
      expect(seasonOutlook(year, 'winter', wish).meanH, id).toBeGreaterThan(now);
    }
  });
});

describe('a drill', () => {
  const from = 14 * 1440 + 18 * 60;
  it('left alone goes as the outage that is played', () => {
    const drill = new OutageDrill(farmYear, from, 600);
    const run = playOutage(farmYear, from, 600);
    let now = drill.next();
    while (!now.over) now = drill.next();
    expect(now.charge).toBeCloseTo(run.charge[599]!, 4);
    expect(now.state).toBe('lit');
  });
  it('trips when too much is switched on, locks out, and is reset after loads are switched off', () => {
    const drill = new OutageDrill(farmYear, from, 1440);
    for (const { load } of drill.loads) drill.turn(load.id, true);
    let now = drill.next();
    while (now.state !== 'locked-out' && !now.over) now = drill.next();
    expect(now.state).toBe('locked-out');
    expect(now.cause).toMatch(/overload/);
    for (const { load } of drill.loads) drill.turn(load.id, load.tier === 'must' && load.kind === 'lighting');
    expect(drill.next().state).toBe('locked-out');
    drill.reset();
    expect(drill.next().state).toBe('lit');
  });
  it('is locked out at its beginning where every outage of that minute is: motors that notice the gap', () => {
    const use = allSeasons(aroundTheClock);
    const start = { how: 'multiple', multiple: 5, durationS: 2 } as const;
    const pump = (id: string) => aLoad({ id, kind: 'pump', runningPowerW: 900, dutyCycle: 1, start, use });
    const inverter = { ...idealUnit.inverter!, transferGapMs: 100 };
    const year = anOutageYear({
      loads: [pump('a'), pump('b'), pump('c')],
      unit: { ...idealUnit, inverter },
    });
    const drill = new OutageDrill(year, 600, 60);
    expect([drill.next().state, playOutage(year, 600, 60).cause]).toEqual(['locked-out', 'starting']);
  });
  it('tells a start from running loads, as the picture does', () => {
    const use = allSeasons(aroundTheClock);
    const start = { how: 'multiple', multiple: 7, durationS: 8 } as const;
    const pump = aLoad({
      id: 'p',
      kind: 'other',
      runningPowerW: 1200,
      powerFactor: 1,
      dutyCycle: 0.5,
      cyclesPerHour: 2,
      start,
      use,
    });
    const unit = { ...idealUnit, inverter: { ...idealUnit.inverter!, retry: { afterS: 10, tries: 0 } } };
    const year = anOutageYear({ loads: [pump], unit });
    const drill = new OutageDrill(year, 0, 120);
    let now = drill.next();
    while (now.state === 'lit' && !now.over) now = drill.next();
    const run = playOutage(year, 0, 120);
    expect([now.cause, run.cause]).toEqual(['starting', 'starting']);
    expect(now.minute - 1).toBe(run.survivedMin);
  });
  it('saves charge where circuits are opened', () => {
    const play = (open: boolean): number => {
      const drill = new OutageDrill(farmYear, from, 480);
      if (open) for (const { load } of drill.loads) if (load.tier !== 'must') drill.turn(load.id, false);
      let now = drill.next();
      while (!now.over) now = drill.next();
      return now.charge;
    };
    expect(play(true)).toBeGreaterThan(play(false));
  });
});

describe('islands', () => {
  it('have sun and generator once: with the first', () => {
    const two = {
      ...farm,
      survey: {
        ...farm.survey,
        services: [...farm.survey.services, { ...farm.survey.services[0]!, id: 'second', name: 'Second' }],
      },
      backup: {
        ...farm.backup,
        services: [
          ...farm.backup.services,
          { ...farm.backup.services[0]!, serviceId: 'second', islandId: 'second' },
        ],
      },
    };
    const year = (islandId: string) =>
      studyYear({ ...farmStudy, plan: two, islandId, weather: steadyWeather() }, builtInCatalogue)!;
    expect(year('farm').context.plan.sources.arrays).toHaveLength(2);
    expect(year('second').context.plan.sources.arrays).toHaveLength(0);
  });
});
