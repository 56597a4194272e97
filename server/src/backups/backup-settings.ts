import * as z from 'zod';

const settingsSchema = z.object({
  LEVAMEN_BACKUPS: z.string().min(1),
  LEVAMEN_BACKUP_AT: z
    .string()
    .default('02:30')
    .refine((text) => /^([01]\d|2[0-3]):[0-5]\d$/.test(text), 'A time of the day, such as 02:30'),
  LEVAMEN_BACKUP_KEEP: z
    .string()
    .default('7,4,12')
    .refine((text) => /^[1-9]\d{0,3},\d{1,3},\d{1,3}$/.test(text), 'Days, weeks and months, such as 7,4,12'),
  LEVAMEN_BACKUP_SEND: z.string().optional(),
  LEVAMEN_MIGRATION_URL: z.url({ protocol: /^postgres(ql)?$/ }),
});

export interface BackupSettings {
  /** Folder they are kept in. */
  readonly folder: string;
  readonly at: { readonly hour: number; readonly minute: number };
  readonly keep: { readonly days: number; readonly weeks: number; readonly months: number };
  /** A command of the shell that takes each away; its first word after it is the file. null = they stay here. */
  readonly send: string | null;
  /** Connects as the role that owns the tables. */
  readonly databaseUrl: string;
}

/**
 * Reads what is said of scheduled backups from environment variables.
 *
 * @throws Error naming each variable that is missing or wrong
 */
export function readBackupSettings(environment: NodeJS.ProcessEnv): BackupSettings {
  const result = settingsSchema.safeParse(environment);
  if (!result.success) {
    const wrong = result.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`);
    throw new Error(`Backups cannot be scheduled. Set these variables: ${wrong.join('; ')}`);
  }
  const { data } = result;
  const [hour = 0, minute = 0] = data.LEVAMEN_BACKUP_AT.split(':').map(Number);
  const [days = 0, weeks = 0, months = 0] = data.LEVAMEN_BACKUP_KEEP.split(',').map(Number);
  return {
    folder: data.LEVAMEN_BACKUPS,
    at: { hour, minute },
    keep: { days, weeks, months },
    send: data.LEVAMEN_BACKUP_SEND?.trim() || null,
    databaseUrl: data.LEVAMEN_MIGRATION_URL,
  };
}
