export { dangerousStandings, type StateCheck } from './states/dangerous-standings.js';
export {
  type Counterexample,
  type HazardKind,
  type Situation,
  situationsOf,
  situationText,
  type SourceKind,
  type Standing,
  type SwitchNetwork,
} from './states/switch-network.js';
export { deriveWiring, type StackOf } from './graph/derive-wiring.js';
export { type PlannedPanels, plannedPanels } from './panels/planned-panels.js';
export { networkOf } from './graph/network-of.js';
export type {
  WiringAccessory,
  WiringCable,
  WiringDevice,
  WiringGraph,
  WiringLink,
  WiringPart,
  WiringPlace,
} from './graph/wiring-graph.js';
export { wiringNames } from './graph/wiring-names.js';
export { type WiredDesign, wireDesign, wiringSubjects } from './check-wiring.js';
export type { JudgedBusbar } from './sizing/busbar-subjects.js';
export { electrodeSizeAt } from './sizing/electrode-size-at.js';
export type { SizedCable } from './sizing/size-cable.js';
export type { WiringCheck } from './sizing/wiring-check.js';
export {
  type WiringFinding,
  wiringFindings,
  type WiringMargin,
  wiringMargin,
} from './findings/wiring-findings.js';
export { dashMm, type Drawing, type DrawingItem, type DrawingLayer } from './drawing/drawing.schema.js';
export { oneLineDrawing, type OneLineLayout } from './drawing/one-line-drawing.js';
export { oneLinePlan, type OneLinePlan, type OneLineTag, oneLineTags } from './drawing/one-line-plan.js';
export { threeLineDrawing, type ThreeLineWay, threeLineWays } from './drawing/three-line-drawing.js';
export { materialOf } from './material/material-of.js';
export {
  type MaterialIs,
  type MaterialKind,
  materialKindNames,
  type MaterialLine,
  wiringMaterial,
} from './material/wiring-material.js';
export { textsThatMeet } from './drawing/texts-that-meet.js';
export { nudgedLayout } from './drawing/nudged-layout.js';
export { type ElkBox, fromElk, toElk } from './drawing/to-elk.js';
export { liveAt } from './states/live-at.js';
export {
  type DrawingRequest,
  drawingRequestSchema,
  type PaperSize,
  paperSizes,
} from './drawing/drawing.schema.js';
export { type AsBuiltNote, withAsBuilt } from './drawing/as-built.js';
export { withTitleBlock } from './drawing/title-block.js';
export { drawingSvg } from './drawing/to-svg.js';
export { safetyOf, type WiringSafety } from './safety-of.js';
export { signsOf, type WiringSign } from './signs/signs-of.js';
export { cornersOf, lineItem, textItem, textsLast } from './drawing/items.js';
export { textWidthMm } from './drawing/drawing.schema.js';
