import type { Job } from './job.schema.js';
import { newJob } from './new-job.js';
import { readJob } from './read-job.js';

/** A job that can be read again, and the places where something had to be set back or left out. */
export interface MendedJob {
  readonly job: Job;
  readonly places: readonly string[];
}

type Node = Record<string, unknown> | unknown[];

const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null;
const at = (value: unknown, key: string): unknown =>
  isNode(value) ? (value as Record<string, unknown>)[key] : undefined;

const cloneJson = (value: unknown): unknown => JSON.parse(JSON.stringify(value)) as unknown;

/** Mending takes several rounds: what is left out may be what something else names. */
const maxRounds = 60;

/**
 * Makes a document valid that no longer is: at each problem the value of a new job takes its place; where there is none, the
 * nearest entry of a list around it is left out.
 *
 * @param document a job of any version that does not validate
 * @returns null where the document as a whole is none, or mending does not end
 */
export function mendJob(document: unknown): MendedJob | null {
  const places: string[] = [];
  let present = cloneJson(document);
  const fresh = newJob('Mended job');
  for (let round = 0; round < maxRounds; round += 1) {
    const read = readJob(present);
    if (read.ok) return { job: read.job, places };
    const path = read.problems[0]!.path.split('.');
    if (path[0] === '' || path[0] === 'format' || path[0] === 'version') return null;
    const next = setBack(present, path, fresh);
    if (!next) return null;
    places.push(next.place);
    present = next.document;
  }
  return null;
}

function setBack(
  document: unknown,
  path: readonly string[],
  fresh: Job,
): { document: unknown; place: string } | null {
  const copy = cloneJson(document);
  const nodes: unknown[] = [copy];
  for (const key of path) nodes.push(at(nodes.at(-1), key));
  // The innermost entry of a list on the way goes; a problem outside of lists gets the value of a new job.
  for (let depth = path.length - 1; depth >= 0; depth -= 1) {
    const parent = nodes[depth];
    // A job always holds its designs.
    if (!Array.isArray(parent) || (depth === 1 && path[0] === 'designs')) continue;
    const index = Number(path[depth]);
    if (!Number.isInteger(index) || index < 0 || index >= parent.length) return null;
    parent.splice(index, 1);
    return { document: copy, place: path.slice(0, depth + 1).join('.') };
  }
  for (let depth = path.length; depth >= 1; depth -= 1) {
    const key = path[depth - 1]!;
    const parent = nodes[depth - 1];
    const usual = path.slice(0, depth).reduce<unknown>(at, fresh);
    if (!isNode(parent) || usual === undefined || JSON.stringify(at(parent, key)) === JSON.stringify(usual))
      continue;
    (parent as Record<string, unknown>)[key] = cloneJson(usual);
    return { document: copy, place: path.slice(0, depth).join('.') };
  }
  return null;
}
