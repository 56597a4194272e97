import type { Job, JobDesign } from '../job.schema.js';

/** Ids of the things of a house that a design says something about. */
const thingsOf = ({ loads, survey }: Job) => ({
  loads: new Set(loads.map(({ id }) => id)),
  circuits: new Set(survey.panels.flatMap(({ circuits }) => circuits.map(({ id }) => id))),
});

const withBackup = (job: Job, change: (design: JobDesign) => JobDesign['backup']): Job => ({
  ...job,
  designs: job.designs.map((design) => ({ ...design, backup: change(design) })),
});

/**
 * The side of a merge with what its base says about loads and circuits that the side has removed. Whoever removes a thing says
 * nothing about how it stands in an outage: where it comes back, it stands as it did.
 */
export function withFollowers(side: Job, base: Job): Job {
  const here = thingsOf(side);
  return withBackup(side, (design) => {
    const before = base.designs.find(({ id }) => id === design.id)?.backup;
    if (!before) return design.backup;
    const kept = before.kept.filter(({ loadId }) => !here.loads.has(loadId));
    const unplugged = before.unplugged.filter(({ loadId }) => !here.loads.has(loadId));
    const lanes = before.lanes.filter(({ circuitId }) => !here.circuits.has(circuitId));
    return {
      ...design.backup,
      kept: [...design.backup.kept, ...kept],
      unplugged: [...design.backup.unplugged, ...unplugged],
      lanes: [...design.backup.lanes, ...lanes],
    };
  });
}

/** The merged job without what is said about loads and circuits it does not have. */
export function withoutLostFollowers(job: Job): Job {
  const here = thingsOf(job);
  return withBackup(job, ({ backup }) => ({
    ...backup,
    kept: backup.kept.filter(({ loadId }) => here.loads.has(loadId)),
    unplugged: backup.unplugged.filter(({ loadId }) => here.loads.has(loadId)),
    lanes: backup.lanes.filter(({ circuitId }) => here.circuits.has(circuitId)),
  }));
}
