import type { BackupState } from '@levamen/core/api';
import { Router } from 'express';
import type { DataSource } from 'typeorm';
import { WorkspaceEntity } from '../store/entities.js';
import { defaultWorkspaceId } from '../store/default-workspace.js';
import { BackupRunEntity } from './backup-entity.js';
import { backupWarning } from './backup-warning.js';

/**
 * How backups stand, under /api/backups.
 *
 * @param isScheduled somebody wants them here
 */
export function backupRoutes(source: DataSource, isScheduled: boolean): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    const [last, good, first] = await Promise.all([
      source.manager.findOne(BackupRunEntity, { where: {}, order: { id: 'DESC' } }),
      source.manager.findOne(BackupRunEntity, { where: { isGood: true }, order: { id: 'DESC' } }),
      source.manager.findOneBy(WorkspaceEntity, { id: defaultWorkspaceId }),
    ]);
    const state: BackupState = {
      isScheduled,
      goodAt: good?.at.toISOString() ?? null,
      last: last && {
        at: last.at.toISOString(),
        isGood: last.isGood,
        says: last.says,
        isSent: last.isSent,
      },
      warning: isScheduled
        ? backupWarning(new Date(), good?.at ?? null, last, first?.createdAt ?? new Date())
        : '',
    };
    response.json(state);
  });
  return router;
}
