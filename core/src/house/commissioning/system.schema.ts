import * as z from 'zod';
import { countSchema, field, idSchema, lineSchema, nameSchema } from '../../base/index.js';

const address = 'Write its address as 192.168.1.20';
/** Devices on one bus have unit ids from 1 to 247. */
const mostUnit = 247;
const mostUnits = 40;

/** Unit ids as they are written: "1, 10-13, 20". */
export const unitIdsSchema = lineSchema(120).refine(
  (text) => unitIdsOf(text) !== null,
  `Write unit ids from 1 to ${mostUnit} as 1, 10-13, 20: at most ${mostUnits} of them`,
);

/** The unit ids a text names, each once, in their order; null = it names none, too many, or something else. */
export function unitIdsOf(text: string): number[] | null {
  const ids = new Set<number>();
  for (const part of text.split(',')) {
    const match = /^\s*(\d{1,3})(?:\s*[-–]\s*(\d{1,3}))?\s*$/.exec(part);
    if (!match) return null;
    const [from, to] = [Number(match[1]), Number(match[2] ?? match[1])];
    if (from < 1 || to > mostUnit || to < from) return null;
    for (let id = from; id <= to && ids.size <= mostUnits; id += 1) ids.add(id);
  }
  return ids.size > mostUnits ? null : [...ids].toSorted((a, b) => a - b);
}

/** Where the devices of a system are asked: over Modbus TCP, and over HTTP where it has that too. */
export const systemAddressSchema = z.strictObject({
  host: field(z.union([z.ipv4(address), z.ipv6(address)], address), {
    label: 'Address',
    hint: 'of its gateway, in the network of the server',
  }),
  port: field(countSchema(1, 65_535), { label: 'Port of Modbus TCP', unit: 'count' }),
  units: field(unitIdsSchema, { label: 'Unit ids', hint: '1, 10-13, 20' }),
  /** null = it is not asked over HTTP. */
  httpPort: field(countSchema(1, 65_535).nullable(), {
    label: 'Port of HTTP',
    unit: 'count',
    hint: 'empty: it is not asked for its clock and its gap',
  }),
});
export type SystemAddress = z.infer<typeof systemAddressSchema>;

/** Something said at a moment of a recording: by whom it was seen, what was switched. */
export const recordingMarkSchema = z.strictObject({
  id: idSchema,
  /** Since the recording began, s. */
  second: countSchema(0, 200_000),
  text: nameSchema(300),
});

/** A staged outage that was recorded; its readings are kept beside the job. */
export const stagedOutageSchema = z.strictObject({
  /** Of the recording. */
  id: z.uuid(),
  islandId: idSchema,
  marks: z.array(recordingMarkSchema).max(200, 'A recording holds at most 200 remarks'),
});
export type StagedOutage = z.infer<typeof stagedOutageSchema>;
