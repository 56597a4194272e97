/** Makes papers: loaded where they are made. */
export { composePaper, type ComposeFrom } from './compose-paper.js';
export { type BoughtLine, partsLines, type PartsLines } from './material/parts-lines.js';
export { groupNames } from './material/parts-paper.js';
export { signShapes, signSvg } from './labels/sign-svg.js';
export { type DesignStudy, type PaperSources, studyDesign } from './study/design-study.js';
export { inLanguage } from './words/in-language.js';
export type { RecordedOutage } from './report/recorded-outage.js';
