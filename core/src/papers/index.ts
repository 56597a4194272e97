export {
  type CompanySheet,
  companySheetSchema,
  type LearnedHouse,
  learnedHouseSchema,
  emptyCompanySheet,
  licenceSchema,
  paymentSchema,
} from './company/company-sheet.schema.js';
export { type LearnedBattery, learnedBattery } from './company/learned-battery.js';
export { type LearnedDefault, learnedDefault } from './company/learned-default.js';
export { nextLetter, paperNumber, revisionLetter } from './company/paper-number.js';
export type { Block, Cell, Column, Missing, Paper, TableCell } from './document/paper.js';
export {
  type Language,
  languages,
  languageSchema,
  type PaperKind,
  paperKinds,
  paperKindSchema,
  paperParts,
  type PaperRequest,
  paperRequestSchema,
  sheets,
  sheetSizeSchema,
  type SheetSize,
} from './document/paper-request.schema.js';
export { frameWords, missingWords } from './words/frame-words.js';
export { fillWords } from './words/fill-words.js';
