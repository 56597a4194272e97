import type { Catalogue, Item, StackPart } from '@levamen/core/equipment';
import type { Plan } from '@levamen/core/design';
import type { WeatherYear } from '@levamen/core/nature';
import type { PriceBook } from '@levamen/core/offer';

/** What is searched: a design for one island, by the prices of a list. */
export interface OptionsAsked {
  readonly plan: Plan;
  readonly islandId: string;
  readonly weather: WeatherYear | null;
  readonly items: readonly Item[];
  /** null = nothing is priced. */
  readonly book: PriceBook | null;
}

/** A candidate as it crosses between page and worker. */
export interface OptionCandidate {
  readonly variant: number;
  readonly name: string;
  readonly parts: readonly StackPart[];
  readonly cost: number;
  /** After incentives, decimal text; null = nothing is priced. */
  readonly price: string | null;
  readonly missing: readonly string[];
  readonly family: string;
  readonly batteryWh: number;
  readonly guess: number;
}

export interface OptionsOfVariant {
  readonly candidates: readonly OptionCandidate[];
  /** A stack and what stands against it. */
  readonly ruledOut: readonly { readonly name: string; readonly why: string }[];
  readonly tooDear: number;
  readonly unpriced: readonly string[];
}

export interface OptionsApi {
  /** Comes before everything else; where nothing is backed up there is nothing to ask. */
  prepare(asked: OptionsAsked, catalogue: Catalogue): void;
  /** Stacks that may carry a variant. */
  candidates(variant: number): OptionsOfVariant;
  /** Hours and chance in one year; null where it cannot be played. */
  play(variant: number, parts: readonly StackPart[]): readonly number[] | null;
  /** Share of comfort that is served at most, by nameplate energy; null where the house has none. See `comfortAtMost`. */
  comfortAtMost(
    variant: number,
    parts: readonly StackPart[],
    batteriesWh: readonly number[],
  ): readonly number[] | null;
  /** Share of comfort served, see `comfortServed`. */
  comfort(variant: number, parts: readonly StackPart[]): number | null;
}
