export { amountSchema, countSchema } from './amount.schema.js';
export { currencySchema, minorPlaces } from './currency.schema.js';
export { type Decimal, decimalSchema, readDecimal } from './decimal.js';
export { field, fieldFacts, type FieldFacts, type FieldUnit } from './field.js';
export { fieldText, type ReadField, readFieldText, shownFieldText } from './field-text.js';
export { fieldScale, type FieldScale } from './field-scale.js';
export { derived, type Figure, type FigureUnit, given, type Source } from './figure.js';
export { type Finding, severities, type Severity } from './finding.js';
export {
  comparedTexts,
  formatQuantity,
  plainQuantityText,
  quantityText,
  type UnitSystem,
} from './format-quantity.js';
export { groupBy } from './group-by.js';
export { interpolate } from './interpolate.js';
export { keepNewest } from './keep-newest.js';
export { decimalText, moneySchema } from './money.schema.js';
export { minorUnit, type MinorUnit, placesOf, rateText } from './minor-unit.js';
export { sameBut } from './same-but.js';
export { sameValue } from './same-value.js';
export { listedFile, type ReadListed, readListedFile } from './listed-file.js';
export { nameList } from './name-list.js';
export { normalShare } from './normal-share.js';
export { placeWord, type PlaceWord, placeWords } from './place-word.js';
export { type ParsedQuantity, parseQuantity, type UnitFactors } from './parse-quantity.js';
export type { PublishedTable } from './published-table.js';
export { amountText, checkedAmount, type ReadAmount, readAmount } from './read-amount.js';
export { seededNormal, seededRandom } from './seeded-random.js';
export { setting, type Setting, settingSource } from './setting.js';
export { sourceText } from './source-text.js';
export { digestSchema, idSchema, lineSchema, nameSchema, noteSchema } from './text.schema.js';
export { workingText } from './working-text.js';
export { feetInchesText, fromFeet, readFeetInches } from './feet-inches.js';
export { yesNo } from './yes-no.js';
