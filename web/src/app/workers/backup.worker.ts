import { evaluatePlan, substituteOutcomes, suggestBackup, waysToMend } from '@levamen/core/study';
import { expose } from 'comlink';
import type { BackupApi } from './backup-api';

const api: BackupApi = {
  suggest: (job, catalogue, islandId, parts, limitMs) => {
    const until = performance.now() + limitMs;
    return suggestBackup(job, catalogue, islandId, parts, () => performance.now() > until);
  },
  mend: (job, catalogue, islandId) => {
    const { island, selected } = evaluatePlan(job, catalogue, islandId);
    return island && selected ? waysToMend(job, catalogue, island, selected) : null;
  },
  substitutes: (job, catalogue, islandId) => {
    const { island, selected } = evaluatePlan(job, catalogue, islandId);
    return island && selected ? substituteOutcomes(job, island, selected.stack) : [];
  },
};
expose(api);
