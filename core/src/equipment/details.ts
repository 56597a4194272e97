export { completeItem } from './items/complete-item.js';
/** What only the company's equipment looks at: forms, checks and tables of items. */
export { emptyHead } from './items/empty-item.js';
export { type Doubt, itemDoubts } from './items/item-doubts.js';
export {
  type GoesWith,
  goesWithSchema,
  type Need,
  needSchema,
  ratingSourceSchema,
} from './items/item-head.js';
export { type CheckedDraft, checkDraft, type ItemDraft, newDraft } from './items/item-draft.js';
export { type ItemChange, itemChanges } from './tables/item-changes.js';
export { headFields } from './items/item.schema.js';
export { bodyFields, identityFields, temperatureFields, warrantyFields } from './items/item-head.js';
export { readItemFile } from './tables/read-item-file.js';
export { itemJsonSchema } from './items/item-json-schema.js';
export { longestString } from './items/longest-string.js';
export { type ListProblem, listProblems } from './items/list-problems.js';
export { fieldHeading, fieldsOfKind, type ItemField, labelAt } from './items/item-columns.js';
export { itemTable } from './tables/item-table.js';
export {
  type CellProblem,
  formulaLike,
  identifierOf,
  type ReadItems,
  columnMeanings,
  readItemTable,
  type TableMeanings,
} from './tables/read-item-table.js';
export { type PastedField, type PastedSheet, readPastedSheet } from './tables/read-pasted-sheet.js';
