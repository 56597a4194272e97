import { keepNewest } from '../../base/index.js';
import type { WeatherYear } from '../../nature/index.js';
import type { Load } from '../../house/index.js';
import { outageSettingsOf, type Plan, type SolarArray } from '../../design/index.js';
import type { DemandSum, MinuteWindow } from './demand-sum.js';
import { dayFactors, type DayFactors } from './day-factors.js';
import { newDemandSum } from './demand-trace.js';
import { loadCycles, type LoadCycles } from './load-cycles.js';
import {
  hourlyArrayW,
  limitsThatClip,
  type Snow,
  sunTrace,
  type SunLimits,
  type SunTrace,
} from './sun-trace.js';
import type { TracedHouse, TracedLoad } from './traced-house.js';
import { outageWeather } from './outage-weather.js';
import type { PlayedSeason } from './played-season.js';

/** Cycles that are kept at most; a house has a tenth of them. */
const mostCycles = 600;
const mostArrays = 40;
/** Some 4 MB each: of the stack in use, and of one that is tried. */
const mostSuns = 2;
/** A few kB each, and the text of what they rest on. */
const mostSeasons = 8;
/** A season has two stretches at most. */
const mostDemands = 2;

/** The load of a kept demand, and under what it was added. */
interface KeptDemand {
  readonly key: string;
  readonly sum: DemandSum;
  readonly loads: Map<string, TracedLoad>;
}

/** What is known of a year of weather before its outages are prepared. */
export type YearSource = Pick<KeptYear, 'weather' | 'factors' | 'cyclesOf' | 'sun'>;

/**
 * One year of weather and switching, and everything that was worked out for it: so that the answer to the next question costs
 * only what has changed since the last one.
 */
export class KeptYear {
  private weatherKey = '';
  private present: { readonly weather: WeatherYear; readonly factors: DayFactors } | null = null;
  private readonly cycles = new Map<string, LoadCycles>();
  private readonly hourly = new Map<string, Float64Array>();
  private readonly suns = new Map<string, SunTrace>();
  private demands: KeptDemand[] = [];
  private readonly seasons = new Map<string, PlayedSeason | null>();

  /** @param seed chooses the synthetic weather and the moments of switching */
  constructor(readonly seed: number) {}

  /** The weather of a plan, see {@link outageWeather}; forgets what rests on another one. */
  weather(plan: Plan, read: WeatherYear | null): WeatherYear {
    const { latitudeDeg, longitudeDeg } = plan.site;
    const key =
      read === null
        ? JSON.stringify([outageSettingsOf(plan).climate.value, latitudeDeg, longitudeDeg])
        : JSON.stringify([plan.outage.weatherId, read.name, read.source, read.latitudeDeg]);
    if (key !== this.weatherKey || this.present === null) {
      const weather = outageWeather(plan, read, this.seed);
      this.present = { weather, factors: dayFactors(weather) };
      this.weatherKey = key;
      this.cycles.clear();
      this.hourly.clear();
      this.suns.clear();
      this.demands = [];
    }
    return this.present.weather;
  }

  get factors(): DayFactors {
    return this.present!.factors;
  }

  /** When a load runs under the present weather. */
  readonly cyclesOf = (load: Load, useFactor: number): LoadCycles => {
    const { weather, factors } = this.present!;
    return keepNewest(this.cycles, cyclesKey(load, useFactor), mostCycles, () =>
      loadCycles(load, this.seed, weather.latitudeDeg, factors, useFactor),
    );
  };

  /** What arrays give under the present weather. */
  sun(arrays: readonly SolarArray[], snow: Snow, limits: SunLimits): SunTrace {
    const { weather } = this.present!;
    const hourlyOf = (array: SolarArray): Float64Array =>
      keepNewest(this.hourly, JSON.stringify([array, snow]), mostArrays, () =>
        hourlyArrayW(array, weather, snow),
      );
    const clips = limitsThatClip(arrays, limits, hourlyOf);
    return keepNewest(this.suns, JSON.stringify([arrays, snow, clips]), mostSuns, () =>
      sunTrace(arrays, clips, hourlyOf),
    );
  }

  /**
   * How the outages of the brief go, by everything they rest on: an edit that is taken back, or that asks for other hours, plays
   * nothing again.
   */
  played(restsOn: string, play: () => PlayedSeason | null): PlayedSeason | null {
    return keepNewest(this.seasons, restsOn, mostSeasons, play);
  }

  /** Demand of the loads of a house that are on in any case. */
  demandOf(house: TracedHouse, window: MinuteWindow): DemandSum {
    const key = JSON.stringify([house.system, house.thresholds, window]);
    let known = this.demands.find((one) => one.key === key);
    if (!known) {
      known = { key, sum: newDemandSum(house, window), loads: new Map() };
      this.demands = [known, ...this.demands].slice(0, mostDemands);
    }
    const { sum, loads } = known;
    const wanted = new Map<string, TracedLoad>();
    for (const load of house.loads) {
      if (load.kept !== 'where-room')
        wanted.set(cyclesKey(load.load, load.useFactor, load.offFromStage), load);
    }
    if (loads.size === 0) {
      sum.fill([...wanted.values()]);
      for (const [name, load] of wanted) loads.set(name, load);
    }
    for (const [name, load] of loads) {
      if (wanted.has(name)) continue;
      sum.add(load, -1);
      loads.delete(name);
    }
    for (const [name, load] of wanted) {
      if (loads.has(name)) continue;
      sum.add(load, 1);
      loads.set(name, load);
    }
    return sum;
  }
}

/** Of loads that do not change; a plan is never changed in place. */
const texts = new WeakMap<Load, string>();

function cyclesKey(load: Load, ...more: readonly unknown[]): string {
  const text = texts.get(load) ?? JSON.stringify(load);
  texts.set(load, text);
  return `${text} ${more.join(' ')}`;
}
