import type { UnitBody } from '../catalogue/unit.schema.js';
import type { Item } from './item.schema.js';

const metres = (mm: number | null): number | null => (mm === null ? null : mm / 1000);

/** What the data sheet of an item says of it on its wall; a clearance that is not said by its side is the one all round. */
export const bodyOf = (item: Omit<Item, 'id' | 'kind' | 'name' | 'ratings'>): UnitBody => ({
  widthM: metres(item.widthMm),
  heightM: metres(item.heightMm),
  depthM: metres(item.depthMm),
  mounting: item.mounting,
  outdoors: item.outdoors,
  clearAboveM: metres(item.clearAboveMm ?? item.clearanceMm),
  clearBelowM: metres(item.clearBelowMm ?? item.clearanceMm),
  clearBesideM: metres(item.clearBesideMm ?? item.clearanceMm),
  clearFrontM: metres(item.clearFrontMm ?? item.clearanceMm),
  betweenM: metres(item.betweenUnitsMm),
  ingress: item.ingress,
  noiseDb: item.noiseDb,
  coldestC: item.coldestC,
  hottestC: item.hottestC,
  derateAboveC: item.derateAboveC,
  deratePerC: item.deratePerC,
  heaterW: item.heaterW,
});
