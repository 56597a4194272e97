import * as z from 'zod';

/** How the backups of a server stand. */
export const backupStateSchema = z.object({
  /** They are made by themselves; false = nobody wants that here. */
  isScheduled: z.boolean(),
  /** When the last good one was made; null = there is none. */
  goodAt: z.iso.datetime().nullable(),
  /** The last one that was tried; null = none was. */
  last: z
    .object({
      at: z.iso.datetime(),
      isGood: z.boolean(),
      says: z.string(),
      /** It was taken off the machine; null = nobody asked for that. */
      isSent: z.boolean().nullable(),
    })
    .nullable(),
  /** What somebody should look at, in words; '' = all is well. */
  warning: z.string(),
});
export type BackupState = z.infer<typeof backupStateSchema>;
