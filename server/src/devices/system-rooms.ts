import { longestRecordingS, type RecordingRow, type SystemEvent } from '@levamen/core/api';
import { sameValue } from '@levamen/core/base';
import type { SystemAddress } from '@levamen/core/house';
import { setTimeout as pause } from 'node:timers/promises';
import type { Events } from '../events/events.js';
import { HttpProblem } from '../http/problem.js';
import { besideRequests } from '../workspaces/fence.js';
import type { RecordingEntityRow } from './device-entities.js';
import type { RecordingStore } from './recording-store.js';
import { type Recorded, SystemWatch } from './system-watch.js';

/** What was recorded is written down at least this often, and what nobody records any more is looked for, ms. */
const writtenMs = 10_000;
/** Another server is given so long to write down what it has of a recording that was ended, ms. */
const waitedMs = 4000;
const lookMs = 100;
/** One server asks so many systems at a time. */
const mostWatches = 20;

/** A recording with the seconds of it that are not written down yet. */
interface Kept extends Recorded {
  /** This server records it; else another one does, and it is only known of. */
  readonly isOurs: boolean;
  rows: RecordingRow[];
}

interface Room {
  readonly listeners: Set<(event: SystemEvent) => void>;
  watch: SystemWatch | null;
  recording: Kept | null;
  /** What is being written; one after the other. */
  writing: Promise<void>;
  timer: NodeJS.Timeout | null;
}

interface Parts {
  readonly store: RecordingStore;
  readonly workspaceId: string;
  readonly events: Events;
  readonly failed: (error: unknown) => void;
  /** The server is told to stop. */
  readonly stopping: AbortSignal;
}

/**
 * Systems that this server asks now, by job: for whoever watches, and for the recording that goes on. Of the servers of a database one records; where
 * nothing is heard of it any more, another takes over, though nobody watches.
 */
export class SystemRooms {
  private readonly rooms = new Map<string, Room>();
  private readonly looking: NodeJS.Timeout;

  constructor(private readonly parts: Parts) {
    const { events, stopping } = parts;
    this.looking = setInterval(() => this.work(() => this.takeOver()), writtenMs);
    this.looking.unref();
    events.onEvent((event) => {
      if (event.about === 'recording') this.work(() => this.look(event.jobId));
    });
    events.onResumed(() => {
      for (const jobId of this.rooms.keys()) this.work(() => this.look(jobId));
    });
    stopping.addEventListener('abort', () => this.work(() => this.close()));
  }

  /**
   * Somebody watches the system of a job; a recording that goes on without a server is taken up again.
   *
   * @returns what to do when he leaves
   */
  async enter(
    jobId: string,
    address: SystemAddress,
    tell: (event: SystemEvent) => void,
  ): Promise<() => void> {
    const running = await this.parts.store.running(jobId);
    const room = this.roomOf(jobId);
    room.listeners.add(tell);
    if (running && room.recording === null) await this.takeUp(jobId, room, running);
    // A recording goes on with the system it began with.
    this.watch(room, running?.system ?? address);
    return () => {
      room.listeners.delete(tell);
      this.leave(jobId, room);
    };
  }

  /** Seconds are kept from now on. */
  async record(jobId: string, recording: RecordingEntityRow): Promise<void> {
    const room = this.roomOf(jobId);
    await this.takeUp(jobId, room, recording);
    if (recording.system) this.watch(room, recording.system);
    this.tell(jobId);
  }

  /** Has what is still in hand of a recording that was ended written down, by whichever server records it. */
  async end(jobId: string, recordingId: string): Promise<void> {
    this.tell(jobId);
    await this.look(jobId);
    for (let waited = 0; waited < waitedMs && (await this.parts.store.isHeld(recordingId)); waited += lookMs)
      await pause(lookMs);
  }

  /** Writes down what is in hand. */
  async flush(jobId: string): Promise<void> {
    const room = this.rooms.get(jobId);
    if (room) await this.write(jobId, room);
  }

  private roomOf(jobId: string): Room {
    const known = this.rooms.get(jobId);
    if (known) return known;
    if (this.rooms.size >= mostWatches)
      throw new HttpProblem(
        503,
        'Too many systems',
        `The server asks ${mostWatches} systems already. Leave one of them first.`,
      );
    const room: Room = {
      listeners: new Set(),
      watch: null,
      recording: null,
      writing: Promise.resolve(),
      timer: null,
    };
    this.rooms.set(jobId, room);
    return room;
  }

  /** Records it, where no other server does; else it is known of. */
  private async takeUp(jobId: string, room: Room, { id, beganAt }: RecordingEntityRow): Promise<void> {
    const { store } = this.parts;
    const isOurs = await store.claim(id, this.parts.events.serverId);
    const untilS = await store.untilS(id);
    room.recording = { id, beganMs: beganAt.getTime(), untilS, rows: [], isOurs };
    room.timer ??= setInterval(() => this.work(() => this.goOn(jobId, room)), writtenMs);
  }

  private async goOn(jobId: string, room: Room): Promise<void> {
    const { recording } = room;
    if (!recording) return;
    if (Date.now() - recording.beganMs > longestRecordingS * 1000) {
      await this.parts.store.end(recording.id);
      await this.end(jobId, recording.id);
    } else if (recording.isOurs) await this.write(jobId, room);
    else await this.look(jobId);
  }

  /** What the database says of the recording of a job that is looked at here. */
  private async look(jobId: string): Promise<void> {
    const room = this.rooms.get(jobId);
    if (!room) return;
    const running = await this.parts.store.running(jobId);
    const { recording } = room;
    if (recording && recording.id !== running?.id) {
      // What comes from now on is no second of it.
      const written = this.write(jobId, room);
      room.recording = null;
      if (room.timer) clearInterval(room.timer);
      room.timer = null;
      this.leave(jobId, room);
      await written;
      if (recording.isOurs) await this.parts.store.release(recording.id, this.parts.events.serverId);
    }
    if (running && !room.recording?.isOurs && this.rooms.get(jobId) === room)
      await this.takeUp(jobId, room, running);
  }

  /** Records what nobody records any more. */
  private async takeOver(): Promise<void> {
    for (const recording of await this.parts.store.forsaken()) {
      const { jobId } = recording;
      if (this.rooms.get(jobId)?.recording?.isOurs) continue;
      if (await this.parts.store.running(jobId)) await this.record(jobId, recording);
    }
  }

  private watch(room: Room, address: SystemAddress): void {
    if (room.watch && sameValue(room.watch.address, address)) return;
    room.watch?.stop();
    room.watch = new SystemWatch(address, {
      tell: (event) => {
        for (const tell of room.listeners) tell(event);
      },
      recording: () => room.recording,
      keep: (row) => {
        if (room.recording?.isOurs) room.recording.rows.push(row);
      },
    });
  }

  private leave(jobId: string, room: Room): void {
    if (room.listeners.size > 0 || room.recording?.isOurs) return;
    room.watch?.stop();
    room.watch = null;
    if (room.timer) clearInterval(room.timer);
    room.timer = null;
    if (this.rooms.get(jobId) === room) this.rooms.delete(jobId);
  }

  private write(jobId: string, room: Room): Promise<void> {
    const { recording } = room;
    room.writing = room.writing.then(async () => {
      if (!recording?.isOurs) return;
      const { rows } = recording;
      recording.rows = [];
      let isWritten: boolean;
      try {
        isWritten = await this.parts.store.add(recording.id, rows, this.parts.events.serverId);
      } catch (error) {
        // They are written with the next ones: nothing is lost by a database that is away for a while.
        recording.rows = [...rows, ...recording.rows];
        throw error;
      }
      if (isWritten) return;
      // Another server has taken over meanwhile, and asks the system itself; what this one has heard counts all the same.
      await this.parts.store.add(recording.id, rows);
      if (room.recording === recording) {
        room.recording = { ...recording, isOurs: false, rows: [] };
        this.leave(jobId, room);
      }
    });
    const done = room.writing;
    room.writing = room.writing.catch(() => undefined);
    return done;
  }

  private async close(): Promise<void> {
    clearInterval(this.looking);
    for (const [jobId, room] of this.rooms) {
      room.watch?.stop();
      if (room.timer) clearInterval(room.timer);
      await this.write(jobId, room).catch(this.parts.failed);
      // Another server takes it over at once.
      if (room.recording?.isOurs)
        await this.parts.store.release(room.recording.id, this.parts.events.serverId);
    }
    this.rooms.clear();
  }

  private tell(jobId: string): void {
    this.parts.events.say({ about: 'recording', jobId });
  }

  private work(work: () => Promise<unknown>): void {
    besideRequests(this.parts.workspaceId, work, this.parts.failed);
  }
}
