import { inject, Injectable, signal } from '@angular/core';
import { readingSetListSchema, type SavedJob, savedJobSchema } from '@levamen/core/api';
import { DeviceDatabase, type RoadJob } from '../data/device-database';
import { commonAddresses, neverChanges, roadAddresses } from './road-addresses';
import { keptHeader, roadCache } from './road-answers';
import { askToLast, bytesText, leastFreeBytes, storageRoom } from './storage-room';

/** How often, and for how long, it is looked whether the program is here, ms. */
const lookMs = 500;
const patienceMs = 60_000;

/** A part that could not be had. */
class Missing extends Error {}

/**
 * Jobs that are taken along: everything the program asks the server for while one of them is open lies on this device. The
 * service worker (`field.worker.ts`) gives it out where the server has no answer.
 */
@Injectable({ providedIn: 'root' })
export class Road {
  private readonly database = inject(DeviceDatabase);

  readonly jobs = signal<readonly RoadJob[]>([]);
  /** The job that is being fetched, with how much of it is here, 0 to 1. */
  readonly taking = signal<{ readonly jobId: string; readonly part: number } | null>(null);
  /** Why the last one could not be taken along; '' = it could. */
  readonly problem = signal('');
  /** Pages over plain HTTP from elsewhere have neither. */
  readonly isPossible =
    'serviceWorker' in navigator && 'caches' in globalThis && 'controller' in navigator.serviceWorker;

  constructor() {
    void this.look();
  }

  isTaken(jobId: string): boolean {
    return this.jobs().some((one) => one.jobId === jobId);
  }

  /** Takes a job along, or brings what is here up to date. */
  async take(jobId: string): Promise<void> {
    this.problem.set('');
    this.taking.set({ jobId, part: 0 });
    try {
      await askToLast();
      await programIsHere();
      await this.fetchAll(jobId);
    } catch (error) {
      this.problem.set(
        error instanceof Missing
          ? error.message
          : 'The job could not be taken along: this device keeps nothing (storage is off or full).',
      );
      if (!this.isTaken(jobId)) await this.sweep().catch(() => undefined);
    } finally {
      this.taking.set(null);
      await this.look();
    }
  }

  /** Removes a job from this device; edits that wait stay. */
  async leave(jobId: string): Promise<void> {
    await (await this.database.open()).delete('road', jobId);
    await this.look();
    await this.sweep();
  }

  /** Everything goes: somebody signs out. */
  async forget(): Promise<void> {
    await this.database.forget(['road']).catch(() => undefined);
    if (this.isPossible) await caches.delete(roadCache).catch(() => false);
    this.jobs.set([]);
  }

  /** A job was saved: what is here is that from now on. */
  async keep(saved: SavedJob): Promise<void> {
    if (!this.isTaken(saved.id)) return;
    const cache = await caches.open(roadCache);
    await cache.put(`/api/jobs/${saved.id}`, Response.json(saved));
  }

  /** A photo is on the server now: it is shown from here all the same. */
  async keepPhoto(jobId: string, digest: string, bytes: Blob): Promise<void> {
    if (!this.isTaken(jobId)) return;
    const cache = await caches.open(roadCache);
    await cache.put(
      `/api/jobs/${jobId}/photos/${digest}`,
      new Response(bytes, { headers: { 'content-type': 'image/jpeg' } }),
    );
  }

  private async fetchAll(jobId: string): Promise<void> {
    const saved = savedJobSchema.parse(await (await fetched(`/api/jobs/${jobId}`)).json());
    const sets = readingSetListSchema.parse(await (await fetched(`/api/jobs/${jobId}/readings`)).json());
    const addresses = [...roadAddresses(jobId, saved.document, sets), ...commonAddresses];
    const cache = await caches.open(roadCache);
    let bytes = 0;
    for (const [index, address] of addresses.entries()) {
      const before = neverChanges(address) ? await cache.match(address) : undefined;
      const answer = before ?? (await fetched(address));
      // A picture that nobody has sent is missed with a network, too.
      if (!answer.ok) continue;
      bytes += (await answer.clone().blob()).size;
      if (!before) await cache.put(address, answer);
      const room = await storageRoom();
      if (room && room.freeBytes < leastFreeBytes)
        throw new Missing(
          `“${saved.document.name}” was not taken along: this device has ${bytesText(room.freeBytes)} left for it. Leave other jobs here, or make room on the device.`,
        );
      this.taking.set({ jobId, part: (index + 1) / addresses.length });
    }
    await (
      await this.database.open()
    ).put('road', { jobId, name: saved.document.name, addresses, bytes, takenAt: Date.now() });
  }

  private async look(): Promise<void> {
    try {
      this.jobs.set(await (await this.database.open()).getAll('road'));
    } catch {
      // Storage is off: nothing is taken along.
    }
  }

  /** Removes what no job needs any more. */
  private async sweep(): Promise<void> {
    const cache = await caches.open(roadCache);
    const needed = new Set(this.jobs().flatMap(({ addresses }) => addresses));
    for (const request of await cache.keys()) {
      const { pathname, search } = new URL(request.url);
      if (!needed.has(pathname + search)) await cache.delete(request);
    }
  }
}

/**
 * Waits until every file of the program is on this device: the first visit begins to fetch them once its page stands.
 *
 * @throws Missing where that does not happen within a minute
 */
async function programIsHere(): Promise<void> {
  const listed = await fetch('/ngsw.json').catch(() => null);
  if (!listed?.ok) throw new Missing('The server does not answer: a job is taken along while it does.');
  const { hashTable } = (await listed.json()) as { readonly hashTable: Readonly<Record<string, string>> };
  let missing = Object.keys(hashTable);
  for (let waitedMs = 0; ; waitedMs += lookMs) {
    const found = await Promise.all(missing.map((address) => caches.match(address)));
    missing = missing.filter((_, index) => !found[index]);
    if (missing.length === 0) return;
    if (waitedMs >= patienceMs)
      throw new Missing(
        (await navigator.serviceWorker.getRegistration())
          ? 'The program itself is not on this device yet: keep this page open for a moment, and try again.'
          : 'This browser keeps no program from here: it asks for a connection that it trusts, without a warning about the certificate.',
      );
    await new Promise((resolve) => setTimeout(resolve, lookMs));
  }
}

/** @throws Missing where the server does not give it */
async function fetched(address: string): Promise<Response> {
  const answer = await fetch(address).catch(() => null);
  if (!answer || answer.headers.has(keptHeader))
    throw new Missing('The server does not answer: a job is taken along while it does.');
  if (!answer.ok && !(answer.status === 404 && address.includes('/photos/')))
    throw new Missing(
      answer.status === 401
        ? 'Sign in again: the server knows nobody at this page any more.'
        : `The server does not give a part of the job (${address}: ${answer.status}).`,
    );
  return answer;
}
