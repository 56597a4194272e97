export { planFindings } from './findings/plan-findings.js';
export { panelFindings } from './house/panel-findings.js';
export { planRequirements } from './requirements/plan-requirements.js';
