import * as z from 'zod';
import { usualRequestsPerMinute } from './http/limits.js';

const configSchema = z.object({
  LEVAMEN_HOST: z.string().default('127.0.0.1'),
  LEVAMEN_PORT: z.coerce.number().int().min(0).max(65_535).default(4780),
  LEVAMEN_DATABASE_URL: z.url({ protocol: /^postgres(ql)?$/ }),
  LEVAMEN_MIGRATION_URL: z.url({ protocol: /^postgres(ql)?$/ }).optional(),
  LEVAMEN_REQUESTS_PER_MINUTE: z.coerce
    .number()
    .int()
    .min(10)
    .max(10_000_000)
    .default(usualRequestsPerMinute),
  LEVAMEN_DEMO: z.stringbool().default(false),
  LEVAMEN_ACCOUNTS: z.enum(['on', 'off']).default('on'),
  LEVAMEN_LOG_LEVEL: z.enum(['silent', 'error', 'warn', 'info', 'debug']).default('info'),
  LEVAMEN_WEB_ROOT: z.string().optional(),
});

/** Addresses of this machine. */
const loopback = /^(127\.\d+\.\d+\.\d+|::1|localhost)$/;

export interface Config {
  readonly host: string;
  readonly port: number;
  /** Connects as the program's own role, which may read and write rows only. */
  readonly databaseUrl: string;
  /** Connects as the role that owns the tables; migrations run as it. */
  readonly migrationUrl: string;
  readonly requestsPerMinute: number;
  /** Load the demo jobs where they are missing. */
  readonly demo: boolean;
  /** People sign in. The demo signs in by itself; somebody who works alone may, on this machine. */
  readonly accounts: boolean;
  readonly logLevel: string;
  /** Folder of the built page; undefined serves the API only. */
  readonly webRoot: string | undefined;
}

/**
 * Reads the configuration from environment variables.
 *
 * @throws Error naming each variable that is missing or wrong
 */
export function readConfig(environment: NodeJS.ProcessEnv): Config {
  const result = configSchema.safeParse(environment);
  if (!result.success) {
    const wrong = result.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`);
    throw new Error(`The configuration is not complete. Set these variables: ${wrong.join('; ')}`);
  }
  const { data } = result;
  const accounts = !data.LEVAMEN_DEMO && data.LEVAMEN_ACCOUNTS === 'on';
  if (!accounts && !loopback.test(data.LEVAMEN_HOST))
    throw new Error(
      `Without accounts the program serves this machine only. Set these variables: LEVAMEN_HOST: leave it out, or start with accounts, and without the demo`,
    );
  return {
    host: data.LEVAMEN_HOST,
    port: data.LEVAMEN_PORT,
    databaseUrl: data.LEVAMEN_DATABASE_URL,
    migrationUrl: data.LEVAMEN_MIGRATION_URL ?? data.LEVAMEN_DATABASE_URL,
    requestsPerMinute: data.LEVAMEN_REQUESTS_PER_MINUTE,
    demo: data.LEVAMEN_DEMO,
    accounts,
    logLevel: data.LEVAMEN_LOG_LEVEL,
    webRoot: data.LEVAMEN_WEB_ROOT,
  };
}
