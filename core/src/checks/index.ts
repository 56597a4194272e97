export { designSubjects } from './design-subjects.js';
export { planFindings } from './findings/plan-findings.js';
export { panelFindings } from './house/panel-findings.js';
export { planRequirements } from './backup/plan-requirements.js';
export type { FoundPoint } from './open-points/found-point.js';
export { byImportance, type Movement, movementOf, openPoints } from './open-points/open-points.js';
export { type ListedPoint, listPoints, movementText, sayOfPoint } from './open-points/listed-points.js';
