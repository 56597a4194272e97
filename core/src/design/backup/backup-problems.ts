import type { BackedUpHouse } from './backed-up-house.js';

interface BackupProblem {
  readonly path: readonly (string | number)[];
  readonly message: string;
}

/** What the shapes alone cannot say: services that exist, each said once, joined to one with a source of its own. */
export function backupProblems({
  backup,
  survey,
}: Pick<BackedUpHouse, 'backup' | 'survey'>): BackupProblem[] {
  const problems: BackupProblem[] = [];
  const services = new Set(survey.services.map(({ id }) => id));
  const said = new Set<string>();
  backup.services.forEach(({ serviceId, joinedTo, feederPanelId }, index) => {
    const path = ['services', index];
    if (!services.has(serviceId)) {
      problems.push({ path: [...path, 'serviceId'], message: 'There is no such service; remove the entry' });
    }
    if (said.has(serviceId)) {
      problems.push({
        path: [...path, 'serviceId'],
        message: 'This service is entered twice; keep one entry',
      });
    }
    said.add(serviceId);
    const host = backup.services.find((other) => other.serviceId === joinedTo);
    if (joinedTo !== null && (joinedTo === serviceId || !services.has(joinedTo) || host?.joinedTo)) {
      problems.push({
        path: [...path, 'joinedTo'],
        message: 'Join it to another service that has a source of its own, or use null',
      });
    }
    if (feederPanelId !== null && !survey.panels.some(({ id }) => id === feederPanelId)) {
      problems.push({ path: [...path, 'feederPanelId'], message: 'There is no such panel; use null' });
    }
  });
  return problems;
}
