import { isolatedPanelIds } from './isolation-points.js';
import type { BackedUpHouse } from './backed-up-house.js';

interface BackupProblem {
  readonly path: readonly (string | number)[];
  readonly message: string;
}

/** What the shapes alone cannot say: services, panels, loads and circuits that exist, each said once. */
export function backupProblems({
  backup,
  survey,
  loads,
}: Pick<BackedUpHouse, 'backup' | 'survey' | 'loads'>): BackupProblem[] {
  const problems: BackupProblem[] = [];
  const panels = new Set(survey.panels.map(({ id }) => id));
  /** Names that must exist, and stand once. */
  const checkNames = (
    list: 'services' | 'kept' | 'unplugged' | 'softStarters' | 'lanes',
    key: string,
    names: readonly string[],
    existing: ReadonlySet<string>,
    what: string,
  ): void => {
    const said = new Set<string>();
    names.forEach((name, index) => {
      const path = [list, index, key];
      if (!existing.has(name)) problems.push({ path, message: `There is no such ${what}; remove the entry` });
      if (said.has(name)) problems.push({ path, message: `This ${what} is entered twice; keep one entry` });
      said.add(name);
    });
  };
  checkNames(
    'services',
    'serviceId',
    backup.services.map(({ serviceId }) => serviceId),
    new Set(survey.services.map(({ id }) => id)),
    'service',
  );
  const loadIds = new Set(loads.map(({ id }) => id));
  for (const list of ['kept', 'unplugged', 'softStarters'] as const) {
    checkNames(
      list,
      'loadId',
      backup[list].map(({ loadId }) => loadId),
      loadIds,
      'load',
    );
  }
  checkNames(
    'lanes',
    'circuitId',
    backup.lanes.map(({ circuitId }) => circuitId),
    new Set(survey.panels.flatMap(({ circuits }) => circuits.map(({ id }) => id))),
    'circuit',
  );
  backup.services.forEach(({ isolation }, index) => {
    if (isolatedPanelIds(isolation).some((id) => !panels.has(id))) {
      problems.push({
        path: ['services', index, 'isolation'],
        message: 'There is no such panel; choose another point of isolation',
      });
    }
  });
  return problems;
}
