import { type Item, sampleLine } from '../../equipment/index.js';
import type { EquipmentUse } from './equipment-list.schema.js';

/** What a company offers. */
export interface OfferedItems {
  readonly items: readonly Item[];
  /** The sample line is offered no longer. */
  readonly sampleHidden: boolean;
}

export const nothingOffered: OfferedItems = { items: [], sampleHidden: false };

/**
 * Every item a job may be designed with: the sample line, what its company offers, and what the job has kept and nobody offers
 * any more. What is not offered is retired: it stays where it was chosen, and is suggested no longer.
 */
export function itemsFor({ kept }: EquipmentUse, { items, sampleHidden }: OfferedItems): Item[] {
  const offered = [...sampleLine.map((item) => (sampleHidden ? { ...item, retired: true } : item)), ...items];
  const known = new Set(offered.map(({ id }) => id));
  return [...offered, ...kept.filter(({ id }) => !known.has(id)).map((item) => ({ ...item, retired: true }))];
}
