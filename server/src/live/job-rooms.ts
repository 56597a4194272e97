import { randomUUID } from 'node:crypto';
import type { LiveEvent, Present } from '@levamen/core/api';
import type { Events } from '../events/events.js';
import { besideRequests } from '../workspaces/fence.js';
import type { Presences, Visit } from './presences.js';

/** So often a server says that whom it serves is still there, ms. */
const saidMs = 15_000;

interface Visitor {
  readonly visit: Visit;
  readonly tell: (event: LiveEvent) => void;
}

interface Parts {
  readonly workspaceId: string;
  readonly presences: Presences;
  readonly events: Events;
  /** The newest revision of a job; null where there is no such job. */
  readonly headOf: (jobId: string) => Promise<number | null>;
  readonly failed: (error: unknown) => void;
  /** The server is told to stop. */
  readonly stopping: AbortSignal;
}

/** Windows of this server that show jobs of a workspace. Who is there, and what happens, all servers of the database know together. */
export class JobRooms {
  private readonly rooms = new Map<string, Set<Visitor>>();
  private saying: NodeJS.Timeout | null = null;

  constructor(private readonly parts: Parts) {
    const { events, stopping } = parts;
    events.onEvent((event) => {
      if (event.about !== 'job') return;
      if (event.event) this.tellHere(event.jobId, event.event);
      else this.work(() => this.tellWhoIsThere(event.jobId));
    });
    events.onResumed(() => this.work(() => this.catchUp()));
    stopping.addEventListener('abort', () => {
      if (this.saying) clearInterval(this.saying);
    });
  }

  /** Who has a job open now. */
  present(jobId: string): Promise<Present[]> {
    return this.parts.presences.of(jobId);
  }

  /**
   * Somebody opens a job: everybody in it learns that.
   *
   * @param tell is given every event from now on
   * @returns what to do when he leaves
   */
  async enter(jobId: string, present: Present, tell: (event: LiveEvent) => void): Promise<() => void> {
    const visit: Visit = { ...present, id: randomUUID(), jobId, enteredAt: new Date() };
    const visitor = { visit, tell };
    await this.parts.presences.say([visit]);
    const room = this.rooms.get(jobId) ?? new Set<Visitor>();
    this.rooms.set(jobId, room.add(visitor));
    this.saying ??= setInterval(() => this.work(() => this.sayAll()), saidMs);
    this.saying.unref();
    this.tell(jobId, null);
    return () => {
      if (!room.delete(visitor)) return;
      if (room.size === 0) this.rooms.delete(jobId);
      this.work(async () => {
        await this.parts.presences.remove([visit.id]);
        this.tell(jobId, null);
      });
    };
  }

  /** Tells everybody who has the job open, on every server; null = somebody has come or gone. */
  tell(jobId: string, event: LiveEvent | null): void {
    this.parts.events.say({ about: 'job', jobId, event });
  }

  private tellHere(jobId: string, event: LiveEvent): void {
    for (const { tell } of this.rooms.get(jobId) ?? []) tell(event);
  }

  private async tellWhoIsThere(jobId: string): Promise<void> {
    if (!this.rooms.has(jobId)) return;
    this.tellHere(jobId, { kind: 'present', people: await this.parts.presences.of(jobId) });
  }

  /** Says that they are still here; who has died elsewhere is seen to be gone. */
  private async sayAll(): Promise<void> {
    const visits = [...this.rooms.values()].flatMap((room) => [...room].map(({ visit }) => visit));
    await this.parts.presences.say(visits);
    for (const jobId of await this.parts.presences.forget()) this.tell(jobId, null);
  }

  /** What may have been missed. */
  private async catchUp(): Promise<void> {
    await this.sayAll();
    for (const jobId of this.rooms.keys()) {
      const revision = await this.parts.headOf(jobId);
      if (revision !== null) this.tellHere(jobId, { kind: 'head', revision });
      this.tell(jobId, null);
    }
  }

  private work(work: () => Promise<unknown>): void {
    besideRequests(this.parts.workspaceId, work, this.parts.failed);
  }
}
