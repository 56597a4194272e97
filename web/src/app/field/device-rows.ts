import type { RoadJob } from '../data/device-database';
import type { SaveStatus } from '../data/job-saver';
import { bytesText } from './storage-room';
import type { WaitingJob } from './waiting-edits';

/** What this device has of one job. */
export interface DeviceRow {
  readonly jobId: string;
  readonly name: string;
  /** null = it is not taken along. */
  readonly taken: { readonly sizeText: string; readonly at: number } | null;
  /** What the server does not have yet, in words; '' = nothing waits. */
  readonly waits: string;
  /** Somebody has to do something about it. */
  readonly isStuck: boolean;
}

const words: Readonly<Record<SaveStatus, string>> = {
  saved: '',
  unsaved: 'Edits are on their way',
  saving: 'Edits are on their way',
  retrying: 'Edits wait for the server',
  conflict: 'Edits wait for a decision: open the job',
  refused: 'Edits were not accepted',
  failing: 'Edits do not get through',
};
const stuck: readonly SaveStatus[] = ['conflict', 'refused', 'failing'];

const editsText = ({ status, message }: WaitingJob): string =>
  stuck.includes(status) && status !== 'conflict' && message !== ''
    ? `${words[status]}: ${message}`
    : words[status];

const photosText = (count: number): string => (count === 1 ? '1 photo waits' : `${count} photos wait`);

/**
 * What this device has, job by job: those that are taken along, and those of which something waits.
 *
 * @param photos how many photos wait, by job
 */
export function deviceRows(
  road: readonly RoadJob[],
  waiting: readonly WaitingJob[],
  photos: ReadonlyMap<string, number>,
): readonly DeviceRow[] {
  const ids = new Set([
    ...road.map(({ jobId }) => jobId),
    ...waiting.map(({ jobId }) => jobId),
    ...photos.keys(),
  ]);
  return [...ids].map((jobId) => {
    const taken = road.find((one) => one.jobId === jobId);
    const edits = waiting.find((one) => one.jobId === jobId);
    const count = photos.get(jobId) ?? 0;
    return {
      jobId,
      name: edits?.name ?? taken?.name ?? 'A job',
      taken: taken ? { sizeText: bytesText(taken.bytes), at: taken.takenAt } : null,
      waits: [edits ? editsText(edits) : '', count > 0 ? photosText(count) : '']
        .filter((one) => one !== '')
        .join('; '),
      isStuck: !!edits && stuck.includes(edits.status),
    };
  });
}
