import type { Plan } from '../design/index.js';
import type { Subject } from '../rules/packs.js';
import type { Evaluation } from '../study/index.js';
import { backupSubjects } from './backup/plan-requirements.js';
import { surveySubjects } from './house/survey-subjects.js';

/** Everything of the survey and the backup that rules are asked about; of the wiring, the wiring knows. */
export const designSubjects = (plan: Plan, evaluation: Evaluation): Subject[] => [
  ...surveySubjects(plan),
  ...backupSubjects(plan, evaluation),
];
