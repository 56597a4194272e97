import { wouldLoop } from './panel-tree.js';
import type { Survey } from './panel.schema.js';

interface SurveyProblem {
  readonly path: readonly (string | number)[];
  readonly message: string;
}

/** What the shapes alone cannot say: identifiers used once, sources that exist, no panel that feeds itself. */
export function surveyProblems(survey: Survey): SurveyProblem[] {
  const problems: SurveyProblem[] = [];
  const known = new Set<string>();
  const once = (id: string, path: SurveyProblem['path']): void => {
    if (known.has(id)) {
      problems.push({
        path: [...path, 'id'],
        message: `The identifier "${id}" is used twice; give each its own`,
      });
    }
    known.add(id);
  };
  survey.services.forEach(({ id }, index) => once(id, ['services', index]));
  survey.panels.forEach((panel, p) => {
    once(panel.id, ['panels', p]);
    panel.circuits.forEach(({ id }, c) => once(id, ['panels', p, 'circuits', c]));
  });
  const circuits = new Set(survey.panels.flatMap((panel) => panel.circuits.map(({ id }) => id)));
  survey.panels.forEach((panel, p) => {
    const { fedFrom } = panel;
    const exists =
      fedFrom.kind === 'unknown' ||
      (fedFrom.kind === 'service' && survey.services.some(({ id }) => id === fedFrom.serviceId)) ||
      (fedFrom.kind === 'circuit' && circuits.has(fedFrom.circuitId)) ||
      (fedFrom.kind === 'lugs' && survey.panels.some(({ id }) => id === fedFrom.panelId));
    const path = ['panels', p, 'fedFrom'];
    if (!exists) problems.push({ path, message: 'What feeds this panel does not exist; choose another' });
    else if (wouldLoop(survey, panel.id, fedFrom)) {
      problems.push({ path, message: 'This panel would feed itself; choose another source' });
    }
  });
  if (survey.monitorCircuitId !== null && !circuits.has(survey.monitorCircuitId)) {
    problems.push({ path: ['monitorCircuitId'], message: 'No panel has this circuit' });
  }
  return problems;
}
