import type { WeatherYear } from '../../nature/index.js';
import type { Catalogue, StackPart } from '../../equipment/index.js';
import type { Plan } from '../../design/index.js';
import { holdsIn } from './holds-in.js';
import { type HoursLeft, hoursLeft } from './hours-left.js';
import { KeptYear } from './kept-year.js';
import type { SeasonOutlook } from './outlook-of.js';
import { playedOfBrief } from './played-of-brief.js';
import type { PlayedSeason } from './played-season.js';
import { runtimeOutlook } from './runtime-outlook.js';
import { seedsOf } from './runtime-question.js';
import { type LoadGroup, type ShiftOfGroup, shiftsOfBrief } from './shifts-of-brief.js';
import { tallyOfBrief } from './tally-of-brief.js';

/** Answers questions about variants of a plan by the outages its brief asks to get through. */
export interface Simulation {
  /** How the outages go; null where nothing is backed up. */
  outlook(plan: Plan, parts: readonly StackPart[]): Promise<SeasonOutlook | null>;
  /** Do they hold? Found out without playing all of what does not. */
  holds(plan: Plan, parts: readonly StackPart[]): Promise<boolean>;
}

/** Plays the outages where it is asked, and keeps what it has worked out. */
export class LocalSimulation implements Simulation {
  private readonly years: readonly KeptYear[];

  /**
   * @param plan the seeds are its own; variants share them
   * @param islandId what is asked about
   * @param weather the year read from a file; null = synthetic ones
   */
  constructor(
    plan: Plan,
    private readonly catalogue: Catalogue,
    private readonly islandId: string,
    private readonly weather: WeatherYear | null,
  ) {
    this.years = seedsOf(plan).map((seed) => new KeptYear(seed));
  }

  outlook(plan: Plan, parts: readonly StackPart[]): Promise<SeasonOutlook | null> {
    return Promise.resolve(runtimeOutlook(this.study(plan, parts), this.catalogue, this.years));
  }

  holds(plan: Plan, parts: readonly StackPart[]): Promise<boolean> {
    return Promise.resolve(
      holdsIn(plan, [tallyOfBrief(this.study(plan, parts), this.catalogue, this.years)]),
    );
  }

  /** The outages themselves, year by year. */
  played(plan: Plan, parts: readonly StackPart[]): PlayedSeason[] {
    const study = this.study(plan, parts);
    return this.years.flatMap((year) => playedOfBrief(study, this.catalogue, year) ?? []);
  }

  /** How long is left from different charges. */
  left(plan: Plan, parts: readonly StackPart[], charges: readonly number[]): HoursLeft[] {
    return hoursLeft(this.study(plan, parts), this.catalogue, charges, this.years);
  }

  /** How much longer or shorter the outages near the runtime last when groups of loads change their standing, year by year. */
  shifts(plan: Plan, parts: readonly StackPart[], groups: readonly LoadGroup[]): ShiftOfGroup[][] {
    const study = this.study(plan, parts);
    return this.years.flatMap((year) => {
      const played = playedOfBrief(study, this.catalogue, year);
      return played ? [shiftsOfBrief(study, this.catalogue, year, played)(groups)] : [];
    });
  }

  private study(plan: Plan, parts: readonly StackPart[]) {
    return { plan, islandId: this.islandId, parts, weather: this.weather };
  }
}
