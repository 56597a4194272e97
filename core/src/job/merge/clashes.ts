import type { Job } from '../job.schema.js';
import { readJob } from '../read-job.js';

/** A problem of a merged job: what it is about, in words. */
export interface Clash {
  readonly key: string;
  readonly message: string;
}

/** Pairs of breakers of one panel that claim the same place. */
function sharedSpaces(job: Job): Clash[] {
  return job.survey.panels.flatMap((panel) => {
    const holders = new Map<string, Job['survey']['panels'][number]['circuits'][number][]>();
    for (const circuit of panel.circuits) {
      for (const space of circuit.spaces) {
        const key = String(space);
        holders.set(key, [...(holders.get(key) ?? []), circuit]);
      }
    }
    return [...holders].flatMap(([space, circuits]) =>
      circuits.flatMap((one, index) =>
        circuits
          .slice(index + 1)
          // Two tandem breakers in the two halves of a space do not clash.
          .filter((other) => one.half === null || other.half === null || one.half === other.half)
          .map((other) => ({
            key: `${panel.id} ${space} ${[one.id, other.id].toSorted().join(' ')}`,
            message: `“${one.name}” and “${other.name}” would both take space ${space} of ${panel.name}.`,
          })),
      ),
    );
  });
}

/**
 * What is wrong with a merged job that is wrong with neither side by itself.
 *
 * @param candidate a merged document
 * @param sides the jobs it was merged from
 */
export function clashesOf(candidate: unknown, sides: readonly Job[]): Clash[] {
  const read = readJob(candidate);
  if (!read.ok) return read.problems.map(({ path, message }) => ({ key: `${path} ${message}`, message }));
  const before = new Set(sides.flatMap((side) => sharedSpaces(side).map(({ key }) => key)));
  return sharedSpaces(read.job).filter(({ key }) => !before.has(key));
}
