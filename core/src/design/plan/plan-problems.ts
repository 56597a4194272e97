import { backupProblems } from '../backup/backup-problems.js';
import { systemFacts } from '../../electric/index.js';
import { lotProblems, surveyProblems } from '../../house/index.js';
import type { Plan } from './plan.js';

interface PlanProblem {
  readonly path: readonly (string | number)[];
  readonly message: string;
}

/** What the shapes alone cannot say of a plan: identifiers used once, circuits and services that exist, legs the supply has. */
export function planProblems(plan: Omit<Plan, 'site' | 'brief' | 'outage'>): PlanProblem[] {
  const problems: PlanProblem[] = surveyProblems(plan.survey).map(({ path, message }) => ({
    path: ['survey', ...path],
    message,
  }));
  problems.push(...lotProblems(plan.lot));
  plan.usage.bills.forEach((bill, index) => {
    if (bill.toDay <= bill.fromDay) {
      problems.push({
        path: ['usage', 'bills', index, 'toDay'],
        message: 'The period ends before it begins; correct one of the days',
      });
    }
  });
  const tariffs = new Set(plan.tariffs.map(({ id }) => id));
  if (tariffs.size < plan.tariffs.length)
    problems.push({ path: ['tariffs'], message: 'Two tariffs share an identifier; give each its own' });
  plan.survey.services.forEach(({ tariffId }, index) => {
    if (tariffId !== null && !tariffs.has(tariffId)) {
      problems.push({
        path: ['survey', 'services', index, 'tariffId'],
        message: 'There is no such tariff; use null where none is known',
      });
    }
  });
  const circuits = new Set(plan.survey.panels.flatMap(({ circuits: all }) => all.map(({ id }) => id)));
  const known = new Set<string>();
  const allowed = systemFacts[plan.supply.system].legSets;
  plan.loads.forEach((load, index) => {
    if (known.has(load.id)) {
      problems.push({
        path: ['loads', index, 'id'],
        message: `Two loads share the identifier "${load.id}"; give each its own`,
      });
    }
    known.add(load.id);
    if (load.circuitId !== null && !circuits.has(load.circuitId)) {
      problems.push({
        path: ['loads', index, 'circuitId'],
        message: 'No panel has this circuit; use null for a load that is not placed',
      });
    }
    if (!allowed.includes(load.legs)) {
      problems.push({
        path: ['loads', index, 'legs'],
        message: `This supply has no ${load.legs}; use ${allowed.join(', ')}`,
      });
    }
  });
  for (const { path, message } of backupProblems(plan)) problems.push({ path: ['backup', ...path], message });
  const { arrays, generator, vehicle } = plan.sources;
  const sources = [
    ...arrays.map((array, index) => ({ circuitId: array.circuitId, at: ['arrays', index] })),
    ...(generator ? [{ circuitId: generator.circuitId, at: ['generator'] }] : []),
    ...(vehicle ? [{ circuitId: vehicle.circuitId, at: ['vehicle'] }] : []),
  ];
  for (const { circuitId, at } of sources) {
    if (circuitId !== null && !circuits.has(circuitId)) {
      problems.push({
        path: ['sources', ...at, 'circuitId'],
        message: 'No panel has this circuit; use null for what is not placed',
      });
    }
  }
  const onLegs = [
    ...arrays.map(({ legs }, index) => ({ legs, at: ['arrays', index] })),
    ...(generator?.legs ? [{ legs: generator.legs, at: ['generator'] }] : []),
  ];
  for (const { legs, at } of onLegs) {
    if (!allowed.includes(legs)) {
      problems.push({
        path: ['sources', ...at, 'legs'],
        message: `This supply has no ${legs}; use ${allowed.join(', ')}`,
      });
    }
  }
  return problems;
}
