import type { Season } from '@levamen/core/nature';
import type { Catalogue } from '@levamen/core/equipment';
import type { BriefTally, PlayedSeason } from '@levamen/core/study';
import type {
  LoadGroup,
  OutageRun,
  OutageStudy,
  ReservePoint,
  ShiftOfGroup,
} from '@levamen/core/study/details';

/** How outages from a stretch of hours end. */
export interface FatesOfHours {
  readonly firstHour: number;
  readonly survivedMin: Float32Array;
  readonly cause: Uint8Array;
  /** Minutes of these hours in which the inverter would trip, nothing being shed. */
  readonly tripMin: number;
}

/** Outages played in a worker. What is asked after `prepare` is about what was prepared. */
export interface OutageApi {
  /** Prepares a year; false where nothing is backed up or the units do not go together. */
  prepare(study: OutageStudy, catalogue: Catalogue): boolean;
  play(fromMinute: number, minutes: number): OutageRun | null;
  fates(firstHour: number, hours: number): FatesOfHours;
  /**
   * Another year of weather and switching, for several states of charge at the start.
   *
   * @returns for each of them minutes survived by hour of the year; NaN for hours that were not played
   */
  seed(seed: number, everyH: number, startCharges: readonly number[]): readonly Float32Array[];
  /** The outages of one year that the brief asks to get through; prepares by itself, and keeps what it has worked out. */
  playBrief(study: OutageStudy, catalogue: Catalogue, seed: number): PlayedSeason | null;
  /** Counts over one year of them; gives up when there are too many with those of other years. */
  tallyBrief(study: OutageStudy, catalogue: Catalogue, seed: number, before: BriefTally): BriefTally;
  /** What becomes of the outages near the runtime when groups of loads change their standing; one year. */
  shiftBrief(
    study: OutageStudy,
    catalogue: Catalogue,
    seed: number,
    groups: readonly LoadGroup[],
  ): ShiftOfGroup[];
  /** Share of comfort served; see `comfortServed`. */
  comfort(study: OutageStudy, catalogue: Catalogue, seed: number): number | null;
  /** Minute of the year at which a hard outage begins. */
  hard(study: OutageStudy, catalogue: Catalogue, seed: number): number | null;
  reserve(heldBack: number, season: Season, requiredH: number): ReservePoint | null;
}
