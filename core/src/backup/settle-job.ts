import type { Job } from '../job/job.schema.js';
import { settleLegs } from '../panel/settle-legs.js';
import { settleLanes } from './settle-lanes.js';

/** Drops what is said about services and panels that are gone. */
function settleServices(job: Job): Job {
  const { backup, design, survey } = job;
  const services = new Set(survey.services.map(({ id }) => id));
  const panels = new Set(survey.panels.map(({ id }) => id));
  const fits = backup.services.every(
    ({ serviceId, joinedTo, feederPanelId }) =>
      services.has(serviceId) &&
      (joinedTo === null || services.has(joinedTo)) &&
      (feederPanelId === null || panels.has(feederPanelId)),
  );
  if (fits && design.others.every(({ serviceId }) => services.has(serviceId))) return job;
  const kept = backup.services.filter(({ serviceId }) => services.has(serviceId));
  return {
    ...job,
    backup: {
      ...backup,
      services: kept.map((said) => ({
        ...said,
        joinedTo: said.joinedTo !== null && services.has(said.joinedTo) ? said.joinedTo : null,
        feederPanelId:
          said.feederPanelId !== null && panels.has(said.feederPanelId) ? said.feederPanelId : null,
      })),
    },
    design: { ...design, others: design.others.filter(({ serviceId }) => services.has(serviceId)) },
  };
}

/**
 * The job with what follows from other parts of it brought into line: loads on the legs of their circuits, lanes in
 * agreement with the loads, nothing said about services that are gone.
 */
export const settleJob = (job: Job): Job => settleServices(settleLanes(settleLegs(job)));
