import type { SavedReadingSet } from '@levamen/core/api';
import type { Job } from '@levamen/core/job';

/** What every job asks for beside what is its own: who works, what the company has, what it may be done with. */
export const commonAddresses: readonly string[] = [
  '/api/session',
  '/api/health',
  '/api/rules',
  '/api/weather',
  '/api/equipment',
];

/**
 * Addresses under which the server keeps what a job is made of.
 *
 * @param id of the job
 * @param job as it was last saved
 * @param sets its meter data
 * @returns the job itself first
 */
export function roadAddresses(id: string, job: Job, sets: readonly SavedReadingSet[]): readonly string[] {
  const own = `/api/jobs/${id}`;
  const weatherIds = new Set([
    job.outage.weatherId,
    ...job.logbook.outages.map(({ weatherId }) => weatherId),
  ]);
  const recordings = new Set([
    ...job.logbook.outages.map(({ recordingId }) => recordingId),
    ...job.commissioning.outages.map(({ id: recording }) => recording),
  ]);
  return [
    own,
    `${own}/readings`,
    ...(job.equipmentList.workspaceId === null
      ? []
      : [`/api/equipment?revision=${job.equipmentList.revision}`]),
    ...[...weatherIds].flatMap((id) => (id === null ? [] : [`/api/weather/${id}`])),
    ...[...new Set(job.photos.map(({ digest }) => digest))].map((digest) => `${own}/photos/${digest}`),
    ...job.logbook.documents.flatMap(({ file }) => (file ? [`${own}/documents/${file.digest}`] : [])),
    `${own}/system/recordings`,
    ...[...recordings].flatMap((recording) =>
      recording === null ? [] : [`${own}/system/recordings/${recording}`],
    ),
    ...sets.flatMap((set) => [
      `${own}/readings/${set.id}`,
      ...set.channels.map((_, position) => `${own}/readings/${set.id}/channels/${position}`),
    ]),
  ];
}

/** What lies under an address never changes: it is fetched once. */
export const neverChanges = (address: string): boolean =>
  /\/(photos|documents|channels)\/|\?revision=|\/weather\/./.test(address);
