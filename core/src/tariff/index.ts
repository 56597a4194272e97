export { bandsOfDay } from './bands-of-day.js';
export { bandPrice, newTariff } from './new-tariff.js';
export { sampleTariffs } from './sample-tariffs.js';
export { sumOfAmounts } from './sum-of-amounts.js';
export {
  bandPriceSchema,
  bandSchema,
  demandChargeSchema,
  standingSchema,
  tariffSeasonSchema,
  tariffTaxSchema,
  tierSchema,
  windowSchema,
  type Band,
  type DemandCharge,
  maxBands,
  maxSeasons,
  maxTariffs,
  maxWindows,
  type Standing,
  type Tariff,
  tariffFields,
  tariffSchema,
  type TariffSeason,
  type TariffTax,
  type TariffTier,
  type TariffWindow,
  windowDays,
} from './tariff.schema.js';
export {
  readTariffFile,
  type ReadTariffs,
  tariffFile,
  tariffFileSchema,
  tariffFormat,
} from './tariff-file.js';
