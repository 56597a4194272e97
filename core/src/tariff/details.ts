/** Bills, and the calendar behind them: loaded by what works a year out. */
export {
  type BillLine,
  type BillPart,
  billParts,
  type Metered,
  monthlyPeaks,
  type MonthBill,
  type UtilityBill,
  utilityBill,
} from './bill.js';
export { tariffJsonSchema } from './tariff-json-schema.js';
export { publicHolidays } from './holidays.js';
export { type MarginalPrices, marginalPrices } from './marginal-prices.js';
export { type BillingMonth, type PriceCalendar, priceCalendar, type TimeGrid } from './price-calendar.js';
