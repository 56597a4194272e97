import * as z from 'zod';
import { nameSchema } from '../base/index.js';
import { systemAddressSchema } from '../house/index.js';
import { recordingColumns } from './recording-rows.js';

/** A network whose devices the server may ask, as 192.168.1.0/24, or one address. */
const networkSchema = z.union(
  [z.cidrv4(), z.cidrv6(), z.ipv4(), z.ipv6()],
  'Write a network as 192.168.1.0/24, or one address as 192.168.1.20',
);

/** Which networks the server may ask devices in: an owner says so; none at first. */
export const deviceNetworksSchema = z.strictObject({
  networks: z.array(networkSchema).max(20, 'Name at most 20 networks'),
});
export type DeviceNetworks = z.infer<typeof deviceNetworksSchema>;

/** A device that was found behind a unit id. */
export const foundUnitSchema = z.object({
  unitId: z.int(),
  maker: z.string(),
  model: z.string(),
  serial: z.string(),
  version: z.string(),
  models: z.array(z.int()),
});
export const foundSystemSchema = z.object({
  units: z.array(foundUnitSchema),
  /** What did not answer, or not as it should, in words. */
  problems: z.array(z.string()),
});
export type FoundSystem = z.infer<typeof foundSystemSchema>;
export const systemRequestSchema = systemAddressSchema;

const value = z.number().nullable();
/** What the devices of a system show in a second. */
export const systemNowSchema = z.object({
  second: z.number(),
  gridV: value,
  legV: z.array(value),
  frequencyHz: value,
  isOnGrid: z.boolean().nullable(),
  batteryW: value,
  solarW: value,
  gridW: value,
  charge: value,
  gapMs: value,
  gridLegV: z.array(value),
  betweenV: z.array(value),
  gridLegW: z.array(value),
  batteries: z.array(z.object({ serial: z.string(), charge: value })),
  doubled: z.array(z.string()),
  clockOffS: value,
  answered: value,
});

/** What is told to whoever watches a system; seconds count from when a recording, or the watch, began. */
export const systemEventSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('now'),
    at: z.iso.datetime(),
    /** The recording that goes on; null = nothing is kept. */
    recordingId: z.uuid().nullable(),
    now: systemNowSchema,
    problems: z.array(z.string()),
  }),
  /** Nobody answers: why, and when it is tried again. */
  z.object({ kind: z.literal('silent'), says: z.string(), againInS: z.number() }),
]);
export type SystemEvent = z.infer<typeof systemEventSchema>;

export const recordingRequestSchema = z.strictObject({
  name: nameSchema(120),
  system: systemAddressSchema,
});
export const recordingSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  beganAt: z.iso.datetime(),
  /** null = it goes on. */
  endedAt: z.iso.datetime().nullable(),
  samples: z.int(),
});
export type Recording = z.infer<typeof recordingSchema>;
export const recordingListSchema = z.array(recordingSchema);

/** Rows of a recording that was read from a file. */
const mostImportedRows = 20_000;
export const recordingImportSchema = z.strictObject({
  name: nameSchema(120),
  /** Moment of its second 0. */
  beganAt: z.iso.datetime({ message: 'Write the moment as 2026-02-28T14:05:00Z' }),
  rows: z
    .array(z.array(value).length(recordingColumns.length, 'A row has a value for each column'))
    .min(2, 'A recording has two rows at least')
    .max(mostImportedRows, `A recording from a file has at most ${mostImportedRows} rows`)
    .refine(
      (rows) =>
        rows.every(
          ([second], index) =>
            second !== null && (index === 0 || second! > (rows[index - 1]![0] ?? Infinity)),
        ),
      'Rows come in the order of their seconds, each with one of its own',
    ),
});
export type RecordingImport = z.infer<typeof recordingImportSchema>;

/** What came of asking a system for the outages it remembers. */
export const rememberedOutagesSchema = z.object({
  taken: z.array(recordingSchema),
  /** So many were kept before. */
  known: z.int(),
  problems: z.array(z.string()),
});
export type RememberedOutages = z.infer<typeof rememberedOutagesSchema>;

/** Readings of a recording as rows; see {@link recordingColumns}. */
export const recordingRowsSchema = z.object({ rows: z.array(z.array(value)) });
export const recordingQuerySchema = z.strictObject({
  /** Only what came after this second. */
  after: z.coerce.number().int().min(-1).max(10_000_000).optional(),
});
/** Longest recording, s: whoever forgets it does not fill the disk. */
export const longestRecordingS = 14 * 3600;
export const mostRecordings = 40;
