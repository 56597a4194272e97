import { type Finding, severities } from '../../base/index.js';
import type { Evaluation } from '../../study/index.js';
import { arrayCircuitFindings } from './array-circuit-findings.js';
import { backupFindings } from './backup-findings.js';
import { designFindings } from './design-findings.js';
import { loadFindings } from './load-findings.js';
import { outageFindings } from './outage-findings.js';

/** Everything an evaluation gives reason to say, worst first. */
export function planFindings({ context, selected, chosenProblem }: Evaluation): Finding[] {
  const found = [
    ...loadFindings(context),
    ...designFindings(context, selected),
    ...backupFindings(context, selected),
    ...outageFindings(context, selected),
    ...arrayCircuitFindings(context.plan),
  ];
  if (chosenProblem !== '') {
    found.push({
      key: 'stack',
      severity: 'stops',
      title: 'The chosen units do not go together',
      because: chosenProblem,
      cure: 'Change the units in Sources, or go back to the suggestion.',
      figures: [],
    });
  }
  return found.toSorted((a, b) => severities.indexOf(a.severity) - severities.indexOf(b.severity));
}
