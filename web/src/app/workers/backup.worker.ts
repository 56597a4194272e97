import { evaluatePlan, substituteOutcomes, suggestBackup, waysToMend } from '@levamen/core/study';
import { expose } from 'comlink';
import type { BackupApi } from './backup-api';

const api: BackupApi = {
  suggest: (plan, catalogue, islandId, parts, limitMs) => {
    const until = performance.now() + limitMs;
    return suggestBackup(plan, catalogue, islandId, parts, () => performance.now() > until);
  },
  mend: (plan, catalogue, islandId) => {
    const { island, selected } = evaluatePlan(plan, catalogue, islandId);
    return island && selected ? waysToMend(plan, catalogue, island, selected) : null;
  },
  substitutes: (plan, catalogue, islandId) => {
    const { island, selected } = evaluatePlan(plan, catalogue, islandId);
    return island && selected ? substituteOutcomes(plan, island, selected.stack) : [];
  },
};
expose(api);
