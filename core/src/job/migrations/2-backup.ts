import { isRecord, type Saved } from './saved.js';

/** Version 3 adds how the house is backed up: lanes of circuits, schools of services, sources beyond the first. */
export const addBackup = (saved: Saved): Saved => {
  const list = (value: unknown): unknown[] => (Array.isArray(value) ? (value as unknown[]) : []);
  const loads = list(saved['loads']).filter(isRecord);
  const kept = new Set(loads.flatMap((load) => (load['inBackupSet'] === true ? [load['circuitId']] : [])));
  const { survey, design } = saved;
  const withLane = (circuit: unknown): unknown =>
    isRecord(circuit) ? { ...circuit, lane: kept.has(circuit['id']) ? 'on' : 'dark', shed: null } : circuit;
  const withLanes = (panel: unknown): unknown =>
    isRecord(panel) && Array.isArray(panel['circuits'])
      ? { ...panel, circuits: panel['circuits'].map(withLane) }
      : panel;
  return {
    ...saved,
    version: 3,
    survey: isRecord(survey) ? { ...survey, panels: list(survey['panels']).map(withLanes) } : survey,
    loads: Array.isArray(saved['loads'])
      ? saved['loads'].map((load: unknown) =>
          isRecord(load) ? { ...load, cyclesPerHour: null, restartDelayS: null } : load,
        )
      : saved['loads'],
    backup: { services: [], shouldWorth: 4 },
    design: isRecord(design) ? { ...design, others: [] } : design,
  };
};
