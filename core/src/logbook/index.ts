export { type UnitNow, unitsNow } from './built/unit-now.js';
export { takeSerials } from './built/take-serials.js';
export { unitsOfDesign } from './built/units-of-design.js';
export { inServiceSince, yearsBetween } from './ageing/age-at.js';
export { doneOn } from './dates/done-on.js';
export { type DueDate, dueDates, type DueKind, dueKinds, monthsAfter } from './dates/due-dates.js';
export { usualDates } from './dates/usual-dates.js';
export { type AsBuilt, asBuiltOf } from './built/as-built.js';
export {
  type DayAhead,
  dayAheadSchema,
  type HousesQuestion,
  housesQuestionSchema,
  mostDaysAhead,
  type OutageAsked,
} from './ahead/houses-question.schema.js';
