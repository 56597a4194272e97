import type { Subject } from '@levamen/core/rules/packs';
import type { WeatherYear } from '@levamen/core/nature';
import type { ClimateFacts, PlacementMargin, WallSearch } from '@levamen/core/placement/details';
import type { ChosenStacks } from '../data/stack-of';

/** A design whose placement is asked about, with the units that feed each island. */
export interface PlacementAsked extends ChosenStacks {
  /** The year that was read from a file; null = that of the climate. */
  readonly weather: WeatherYear | null;
}

export interface PlacementAnswer {
  /** Of everything that is placed. */
  readonly climates: readonly ClimateFacts[];
  readonly margin: PlacementMargin;
}

export interface SearchAsked extends PlacementAsked {
  /** What is to be put up. */
  readonly thingIds: readonly string[];
  readonly stepM: number;
}

export interface PlacementApi {
  check(asked: PlacementAsked): PlacementAnswer;
  /** Everything of what was checked last that rules are asked about. */
  subjects(): readonly Subject[];
  /** @param onWall is told of each wall that is through */
  search(asked: SearchAsked, onWall: (done: number, of: number) => void): Promise<WallSearch>;
}
