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

/** A load that follows the bills, with the figures its base has; they are worked out again once the sides are merged. */
function asInBase(load: Job['loads'][number], base: Job): Job['loads'][number] {
  const before = load.basis === 'bills' ? base.loads.find(({ id }) => id === load.id) : undefined;
  if (before?.basis !== 'bills') return load;
  const { quantity, runningPowerW, dutyCycle, use } = before;
  return { ...load, quantity, runningPowerW, dutyCycle, use };
}

/**
 * The side of a merge with what its base says about loads and circuits that the side has removed. Whoever removes a thing says
 * nothing about how it stands in an outage: where it comes back, it stands as it did. And who lists a load says nothing about what the bills
 * leave over: that follows from what both have listed.
 */
export function withFollowers(side: Job, base: Job): Job {
  const here = thingsOf(side);
  return withBackup({ ...side, loads: side.loads.map((load) => asInBase(load, base)) }, (design) => {
    const before = base.designs.find(({ id }) => id === design.id)?.backup;
    if (!before) return design.backup;
    const kept = before.kept.filter(({ loadId }) => !here.loads.has(loadId));
    const unplugged = before.unplugged.filter(({ loadId }) => !here.loads.has(loadId));
    const softStarters = before.softStarters.filter(({ loadId }) => !here.loads.has(loadId));
    const lanes = before.lanes.filter(({ circuitId }) => !here.circuits.has(circuitId));
    return {
      ...design.backup,
      kept: [...design.backup.kept, ...kept],
      unplugged: [...design.backup.unplugged, ...unplugged],
      softStarters: [...design.backup.softStarters, ...softStarters],
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
    softStarters: backup.softStarters.filter(({ loadId }) => here.loads.has(loadId)),
    lanes: backup.lanes.filter(({ circuitId }) => here.circuits.has(circuitId)),
  }));
}
