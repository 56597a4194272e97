export { demoBook, demoItems } from './demo/demo-book.js';
export type { PartLine, PartsList, WorkLine } from './parts/parts-list.js';
export { type FedIsland, partsOf } from './parts/parts-of.js';
export { withNeeds } from './parts/with-needs.js';
export { moneyDifference } from './total/money-difference.js';
export { priceTable, type ReadPrices, readPriceTable, withPrices } from './prices/price-table.js';
export { type Pricer, pricer } from './total/pricer.js';
export { lowestPrices, type Prices } from './total/lowest-prices.js';
export { partsMaker } from './total/parts-maker.js';
export {
  type OfferGroup,
  offerGroups,
  type OfferLine,
  type OfferTotal,
  offerTotal,
} from './total/offer-total.js';
export {
  emptyPriceBook,
  emptyPriceList,
  type Incentive,
  incentiveSchema,
  type PriceBook,
  priceBookSchema,
  type PriceList,
  priceListSchema,
  type Task,
  taskLabels,
  tasks,
} from './prices/price-book.schema.js';
