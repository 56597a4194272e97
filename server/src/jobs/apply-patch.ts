import type { Job } from '@levamen/core/job';
import { type Patch, patchMisfit } from '@levamen/core/api';
import { HttpProblem } from '../http/problem.js';

type Node = Record<string, unknown> | unknown[];

const misfit = (path: string): HttpProblem =>
  new HttpProblem(422, patchMisfit, `Nothing can be done at "${path}" there. Send the whole document.`);

/** Names that reach behind an object instead of into it. */
const forbidden = new Set(['__proto__', 'constructor', 'prototype']);

const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null;

/** The keys of a JSON Pointer (RFC 6901). */
function keysOf(path: string): string[] {
  if (path !== '' && !path.startsWith('/')) throw misfit(path);
  return path
    .split('/')
    .slice(1)
    .map((key) => key.replaceAll('~1', '/').replaceAll('~0', '~'));
}

/**
 * A copy of a job with the changes of a patch (RFC 6902: add, remove, replace). What does not change is shared with the job, so
 * that validating and comparing it is cheap.
 *
 * @throws HttpProblem where an operation finds no place
 */
export function applyPatch(job: Job | null, patch: Patch): unknown {
  if (!job) throw misfit('');
  return patch.reduce<unknown>((document, operation) => {
    const keys = keysOf(operation.path);
    if (keys.some((key) => forbidden.has(key))) throw misfit(operation.path);
    return changed(document, keys, operation);
  }, job);
}

function changed(node: unknown, [key, ...rest]: readonly string[], operation: Patch[number]): unknown {
  const { op, path, value } = operation;
  if (key === undefined) {
    if (op === 'remove') throw misfit(path);
    return value;
  }
  if (!isNode(node)) throw misfit(path);
  if (Array.isArray(node)) return changedList(node, key, rest, operation);
  if ((rest.length > 0 || op !== 'add') && !Object.hasOwn(node, key)) throw misfit(path);
  if (rest.length === 0 && op === 'remove') {
    const { [key]: _gone, ...others } = node;
    return others;
  }
  return { ...node, [key]: changed(node[key], rest, operation) };
}

function changedList(
  list: readonly unknown[],
  key: string,
  rest: readonly string[],
  operation: Patch[number],
): unknown[] {
  const { op, path, value } = operation;
  const isAdding = rest.length === 0 && op === 'add';
  const index = key === '-' && isAdding ? list.length : /^(0|[1-9]\d*)$/.test(key) ? Number(key) : -1;
  if (index < 0 || index >= list.length + (isAdding ? 1 : 0)) throw misfit(path);
  if (isAdding) return list.toSpliced(index, 0, value);
  if (rest.length === 0 && op === 'remove') return list.toSpliced(index, 1);
  return list.with(index, changed(list[index], rest, operation));
}
