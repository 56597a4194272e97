import type { Item } from '../../equipment/index.js';
import type { Task } from '../prices/price-book.schema.js';

/** Something that must be bought. */
export interface PartLine {
  /** null = nothing in the list is meant yet. */
  readonly itemId: string | null;
  readonly name: string;
  readonly quantity: number;
  /** Why it is there. */
  readonly why: string;
}

/** Work, so many times. */
export interface WorkLine {
  readonly task: Task;
  readonly count: number;
  readonly why: string;
}

export interface PartsList {
  readonly parts: readonly PartLine[];
  readonly work: readonly WorkLine[];
  /** Wire and conduit, m: an estimate until the wiring is designed. */
  readonly wireM: number;
  readonly nameplateKWh: number;
  /** New arrays, kW of modules. */
  readonly solarKW: number;
}

/** Chooses among the items that fit; null = none is in the list. */
export type Chooser = (fits: (item: Item) => boolean) => Item | null;

/** Something that is needed, while nothing in the list is meant. */
export const placeholder = (name: string, quantity: number, why: string): PartLine => ({
  itemId: null,
  name,
  quantity,
  why,
});
export const partOf = (item: Item | null, instead: string, quantity: number, why: string): PartLine =>
  item ? { itemId: item.id, name: item.name, quantity, why } : placeholder(instead, quantity, why);
