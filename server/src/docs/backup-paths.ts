import { backupStateSchema } from '@levamen/core/api';

/** Shapes of what is said about backups. */
export const backupSchemas = { BackupState: backupStateSchema } as const;

/** Addresses of backups. */
export const backupPaths = (
  answer: (description: string, name?: keyof typeof backupSchemas) => object,
): Record<string, object> => ({
  '/api/backups': {
    get: {
      summary: 'How scheduled backups stand',
      responses: {
        200: answer('The last good one, the last that was tried, and what to look at', 'BackupState'),
      },
    },
  },
});
