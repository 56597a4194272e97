import { rowOfSample, type Who } from '@levamen/core/api';
import { houseZone, type Photo } from '@levamen/core/house';
import { demoReadings, withDemoReadings } from '@levamen/core/house/details';
import { demoJobs, type Job, withDemoDesigns, withPlan } from '@levamen/core/job';
import { demoBook, demoItems } from '@levamen/core/offer';
import type { DataSource } from 'typeorm';
import { CompanySheetStore } from '../company/company-sheet-store.js';
import { RecordingStore } from '../devices/recording-store.js';
import { EquipmentStore } from '../equipment/equipment-store.js';
import { JobStore } from '../jobs/job-store.js';
import { packChannel } from '../readings/pack-channel.js';
import { PhotoStore } from '../photos/photo-store.js';
import { ReadingStore } from '../readings/reading-store.js';
import { builtFacts, demoFacts, demoSheet } from './demo-facts.js';
import { JobEntity, WorkspaceEntity } from '../store/entities.js';
import { defaultWorkspaceId } from '../store/default-workspace.js';

const who: Who = { actor: 'Levamen', device: 'demo' };
const readingsName = 'Circuit monitor, one year';

/** Loads the demo jobs that are not there yet; what somebody changed or deleted stays as it is. */
export async function loadDemo(source: DataSource): Promise<void> {
  const store = new JobStore(source, defaultWorkspaceId);
  const equipment = await demoEquipment(source);
  await demoCompany(source);
  for (const [index, { id, job }] of demoJobs.entries()) {
    if (await source.manager.existsBy(JobEntity, { id })) continue;
    const designed = {
      ...withDemoDesigns(job),
      ...demoFacts[index],
      equipmentList: { ...equipment, kept: [] },
    };
    const saved = await store.create(designed, who, 'job created', { id });
    const revision = await addPhoto(source, store, id, saved.revision);
    if (index === 0) {
      await addReadings(source, store, id, revision);
      await source.manager.update(
        WorkspaceEntity,
        { id: defaultWorkspaceId },
        // The simulated system runs on this machine.
        { deviceNetworks: ['127.0.0.1'] },
      );
    }
  }
  await addBuilt(source, equipment);
}

/** The first house again, as it was built and put into service three years ago: with the record of that, its staged outage, and its logbook since. */
async function addBuilt(
  source: DataSource,
  equipment: { workspaceId: string; revision: number },
): Promise<void> {
  const { id, name, on, by, recordingId, outageIds, parties, course } = builtFacts;
  if (await source.manager.existsBy(JobEntity, { id })) return;
  const [{ builtDemo, builtHouse, builtSeed }, { builtLogbook }, { builtInCatalogue }] = await Promise.all([
    import('@levamen/core/commissioning/details'),
    import('@levamen/core/logbook/details'),
    import('@levamen/core/equipment'),
  ]);
  const { plan, record, samples } = builtDemo({ by, on, host: '127.0.0.1', recordingId });
  const { logbook, recordings } = builtLogbook(builtHouse(plan), builtSeed, builtInCatalogue, {
    by,
    on,
    recordingIds: outageIds,
  });
  const built = {
    ...withPlan({ ...demoJobs[0]!.job, name }, plan),
    parties,
    course,
    commissioning: record,
    logbook,
    equipmentList: { ...equipment, kept: [] },
  };
  await new JobStore(source, defaultWorkspaceId).create(built, who, 'job created', { id });
  const staged = { id: recordingId, name: 'Staged outage 1', beganAt: `${on}T18:00:00Z`, samples };
  const store = new RecordingStore(source, defaultWorkspaceId);
  for (const { id: ofOne, samples: seen, ...one } of [staged, ...recordings])
    await store.take(id, { ...one, rows: seen.map(rowOfSample) }, who, { id: ofOne, system: record.system });
}

/** The first wall of a job gets a photo, made up by the program. */
async function addPhoto(
  source: DataSource,
  store: JobStore,
  jobId: string,
  revision: number,
): Promise<number> {
  const job = (await store.read(jobId))!.document as Job;
  const [wall] = job.lot.walls;
  if (!wall) return revision;
  const { wallPhoto } = await import('./wall-photo.js');
  const { bytes, widthPx, heightPx, trace } = wallPhoto(wall);
  const digest = await new PhotoStore(source, defaultWorkspaceId).keep(jobId, bytes);
  const photo: Photo = {
    id: `photo-${wall.id}`,
    digest,
    aboutId: wall.id,
    subject: 'wall',
    caption: 'Drawn by the program: no real place',
    takenOn: null,
    widthPx,
    heightPx,
  };
  const traced = { ...wall, trace: { photoId: photo.id, ...trace } };
  const document = {
    ...job,
    photos: [...job.photos, photo],
    lot: { ...job.lot, walls: job.lot.walls.map((one) => (one.id === wall.id ? traced : one)) },
  };
  await store.save(
    jobId,
    { baseRevision: revision, saveId: crypto.randomUUID(), supersedes: [], document },
    who,
  );
  return revision + 1;
}

/** What the invented company prints, entered once; what somebody changed in it stays. */
async function demoCompany(source: DataSource): Promise<void> {
  const store = new CompanySheetStore(source, defaultWorkspaceId);
  const { revision } = await store.read();
  if (revision === 0) await store.change({ baseRevision: 0, sheet: demoSheet }, who);
}

/** The list of the invented company, entered once; what somebody changed in it stays. */
async function demoEquipment(source: DataSource): Promise<{ workspaceId: string; revision: number }> {
  const store = new EquipmentStore(source, defaultWorkspaceId);
  const { workspaceId, revision } = (await store.read())!;
  if (revision > 0) return { workspaceId, revision: 1 };
  const change = {
    baseRevision: 0,
    changeId: crypto.randomUUID(),
    said: 'Equipment and prices of the demo',
    put: [...demoItems],
    remove: [],
    book: demoBook,
  };
  return { workspaceId, revision: (await store.change(change, who)).revision };
}

/** The first demo job has a year of readings. */
async function addReadings(
  source: DataSource,
  store: JobStore,
  jobId: string,
  revision: number,
): Promise<void> {
  const job = (await store.read(jobId))!.document as Job;
  const readings = demoReadings();
  const kept = new ReadingStore(source, defaultWorkspaceId);
  const { startS, intervalS, count, channels } = readings;
  const set = await kept.create(
    jobId,
    {
      name: readingsName,
      zone: houseZone(job.site),
      startS,
      intervalS,
      count,
      channels: channels.map(({ name, role, quantity }) => ({ name, role, quantity })),
    },
    who,
  );
  for (const [position, { milli }] of channels.entries()) {
    await kept.putChannel(set.id, position, await packChannel(milli));
  }
  await store.save(
    jobId,
    {
      baseRevision: revision,
      saveId: crypto.randomUUID(),
      supersedes: [],
      document: withDemoReadings(job, set.id, readingsName, readings),
    },
    who,
  );
}
