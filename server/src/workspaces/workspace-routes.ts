import { backupRoutes } from '../backups/backup-routes.js';
import { Router } from 'express';
import type { DataSource } from 'typeorm';
import { EquipmentStore } from '../equipment/equipment-store.js';
import { equipmentRoutes } from '../equipment/equipment-routes.js';
import { jsonBody } from '../http/json-body.js';
import { JobStore } from '../jobs/job-store.js';
import { jobRoutes } from '../jobs/job-routes.js';
import type { Events } from '../events/events.js';
import { JobRooms } from '../live/job-rooms.js';
import { Presences } from '../live/presences.js';
import { logRoutes } from '../log/log-routes.js';
import type { Post } from '../mail/post.js';
import { assignmentRoutes } from '../people/assignment-routes.js';
import { peopleRoutes } from '../people/people-routes.js';
import type { PeopleStore } from '../people/people-store.js';
import type { Sessions } from '../people/sessions.js';
import { ClientLinkStore } from '../papers/client-link-store.js';
import { HousesStore } from '../houses/houses-store.js';
import { housesRoutes } from '../houses/houses-routes.js';
import type { WorkQueue } from '../queue/work-queue.js';
import { PaperStore } from '../papers/paper-store.js';
import { PhotoStore } from '../photos/photo-store.js';
import { ReadingStore } from '../readings/reading-store.js';
import { networkRoutes, networksOf } from '../devices/network-routes.js';
import { RecordingStore } from '../devices/recording-store.js';
import { SystemRooms } from '../devices/system-rooms.js';
import { companySheetRoutes } from '../company/company-sheet-routes.js';
import { CompanySheetStore } from '../company/company-sheet-store.js';
import { companyRulesRoutes } from '../rules/company-rules-routes.js';
import { CompanyRulesStore } from '../rules/company-rules-store.js';
import { trainingRoutes } from '../training/training-routes.js';
import { TrainingStore } from '../training/training-store.js';
import { weatherRoutes } from '../weather/weather-routes.js';
import { WeatherStore } from '../weather/weather-store.js';

interface Parts {
  readonly source: DataSource;
  readonly workspaceId: string;
  readonly people: PeopleStore;
  readonly sessions: Sessions;
  readonly events: Events;
  /** The server is told to stop. */
  readonly stopping: AbortSignal;
  /** Takes heavy work. */
  readonly queue: Pick<WorkQueue, 'add' | 'warm'>;
  /** null = links are shown to whoever makes them. */
  readonly post: Post | null;
  /** Backups are made by themselves here. */
  readonly backups: boolean;
  /** Something that goes on by itself has failed. */
  readonly failed: (error: unknown) => void;
}

/** Everything under /api that belongs to one workspace. */
export function workspaceRoutes({
  source,
  workspaceId,
  people,
  sessions,
  events,
  stopping,
  post,
  queue,
  failed,
  backups,
}: Parts): Router {
  const router = Router();
  const equipment = new EquipmentStore(source, workspaceId);
  // Before the usual parser of JSON: a list is larger than a job.
  router.use('/equipment', equipmentRoutes(equipment));
  router.use(jsonBody());
  const rules = new CompanyRulesStore(source, workspaceId);
  router.use('/rules', companyRulesRoutes(rules));
  const store = new JobStore(source, workspaceId);
  const recordings = new RecordingStore(source, workspaceId);
  router.use('/device-networks', networkRoutes(source, workspaceId));
  router.use('/company-sheet', companySheetRoutes(new CompanySheetStore(source, workspaceId)));
  router.use('/jobs/:id/people', assignmentRoutes(source, workspaceId, people, store));
  router.use(
    '/jobs',
    jobRoutes({
      store,
      readings: new ReadingStore(source, workspaceId),
      photos: new PhotoStore(source, workspaceId),
      papers: new PaperStore(source, workspaceId),
      links: new ClientLinkStore(source, workspaceId),
      order: (orderId) => queue.add('papers', [{ orderId, workspaceId }]),
      looksAtPapers: () => queue.warm('papers'),
      rooms: new JobRooms({
        workspaceId,
        presences: new Presences(source, workspaceId, events.serverId),
        events,
        headOf: (id) => store.headRevision(id),
        failed,
        stopping,
      }),
      systems: {
        rooms: new SystemRooms({ store: recordings, workspaceId, events, failed, stopping }),
        store: recordings,
        networks: () => networksOf(source, workspaceId),
      },
      stopping,
      begunWith: async (job) => rules.begunWith(await equipment.begunWith(job)),
    }),
  );
  router.get('/storage', async (_request, response) => {
    response.json(await store.storage());
  });
  router.use('/training-runs', trainingRoutes(new TrainingStore(source, workspaceId)));
  router.use(
    '/houses',
    housesRoutes(new HousesStore(source, workspaceId), (tasks) => queue.add('houses', tasks)),
  );
  router.use('/log', logRoutes(source, workspaceId));
  router.use('/backups', backupRoutes(source, backups));
  router.use('/people', peopleRoutes({ source, workspaceId, people, sessions, post }));
  router.use('/weather', weatherRoutes(new WeatherStore(source, workspaceId)));
  return router;
}
