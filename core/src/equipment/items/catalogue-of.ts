import type { Catalogue, Unit } from '../catalogue/unit.schema.js';
import type { Item } from './item.schema.js';
import { unitOf } from './unit-of.js';

/** The units that stacks are made of; what is offered no longer stays known where somebody has chosen it. */
export const catalogueOf = (items: readonly Item[]): Catalogue =>
  items.flatMap((item): Unit[] => {
    const unit = unitOf(item);
    return unit ? [unit] : [];
  });
