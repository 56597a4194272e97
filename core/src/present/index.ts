export { inWordsOf } from './in-words-of.js';
export { type PlaceLocale, placeLocale } from './place-locale.js';
export {
  panelSchedule,
  type PanelSchedule,
  printedColumns,
  scheduleColumns,
  wideColumns,
} from './panel-schedule.js';
