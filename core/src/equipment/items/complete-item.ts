import { emptyHead } from './empty-item.js';

/** Fields that items have got since they were first kept, and what they say where nobody was asked. */
const since = {
  clearAboveMm: emptyHead.clearAboveMm,
  clearBelowMm: emptyHead.clearBelowMm,
  clearBesideMm: emptyHead.clearBesideMm,
  clearFrontMm: emptyHead.clearFrontMm,
  betweenUnitsMm: emptyHead.betweenUnitsMm,
  ingress: emptyHead.ingress,
  noiseDb: emptyHead.noiseDb,
  heaterW: emptyHead.heaterW,
};

/** An item as an earlier program wrote it, with the fields it did not know. */
export const completeItem = <I extends object>(item: I): typeof since & I => ({ ...since, ...item });
