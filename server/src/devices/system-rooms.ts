import { longestRecordingS, type RecordingRow, type SystemEvent } from '@levamen/core/api';
import { sameValue } from '@levamen/core/base';
import type { SystemAddress } from '@levamen/core/house';
import { HttpProblem } from '../http/problem.js';
import { actingFor } from '../workspaces/fence.js';
import type { RecordingEntityRow } from './device-entities.js';
import type { RecordingStore } from './recording-store.js';
import { type Recorded, SystemWatch } from './system-watch.js';

/** What was recorded is written down at least this often, ms. */
const writtenMs = 10_000;
/** One server asks so many systems at a time. */
const mostWatches = 20;

/** A recording with the seconds of it that are not written down yet. */
interface Kept extends Recorded {
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

/** Systems that are asked now, by job: for whoever watches, and for the recording that goes on. */
export class SystemRooms {
  private readonly rooms = new Map<string, Room>();

  constructor(
    private readonly store: RecordingStore,
    private readonly workspaceId: string,
    private readonly failed: (error: unknown) => void,
    stopping: AbortSignal,
  ) {
    stopping.addEventListener('abort', () => {
      void actingFor({ workspaceId: this.workspaceId, accountId: null }, () => this.close());
    });
  }

  /**
   * Somebody watches the system of a job; a recording that went on when the server ended is taken up again.
   *
   * @returns what to do when he leaves
   */
  async enter(
    jobId: string,
    address: SystemAddress,
    tell: (event: SystemEvent) => void,
  ): Promise<() => void> {
    const running = await this.store.running(jobId);
    const room = this.roomOf(jobId);
    room.listeners.add(tell);
    if (running && room.recording === null)
      this.takeUp(jobId, room, running, await this.store.untilS(running.id));
    // A recording goes on with the system it began with.
    this.watch(room, running?.system ?? address);
    return () => {
      room.listeners.delete(tell);
      this.leave(jobId, room);
    };
  }

  /** Seconds are kept from now on. */
  record(jobId: string, recording: RecordingEntityRow): void {
    const room = this.roomOf(jobId);
    this.takeUp(jobId, room, recording, -1);
    if (recording.system) this.watch(room, recording.system);
  }

  /** Writes down what is still in hand, and keeps no more. */
  async end(jobId: string): Promise<void> {
    const room = this.rooms.get(jobId);
    if (!room) return;
    const written = this.write(room);
    // What comes from now on is no second of it.
    room.recording = null;
    if (room.timer) clearInterval(room.timer);
    room.timer = null;
    this.leave(jobId, room);
    await written;
  }

  /** Writes down what is in hand. */
  async flush(jobId: string): Promise<void> {
    const room = this.rooms.get(jobId);
    if (room) await this.write(room);
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

  private takeUp(jobId: string, room: Room, { id, beganAt }: RecordingEntityRow, untilS: number): void {
    room.recording = { id, beganMs: beganAt.getTime(), untilS, rows: [] };
    room.timer ??= setInterval(() => {
      const isTooLong =
        room.recording !== null && Date.now() - room.recording.beganMs > longestRecordingS * 1000;
      const done = isTooLong ? this.store.end(id).then(() => this.end(jobId)) : this.write(room);
      done.catch(this.failed);
    }, writtenMs);
  }

  private watch(room: Room, address: SystemAddress): void {
    if (room.watch && sameValue(room.watch.address, address)) return;
    room.watch?.stop();
    room.watch = new SystemWatch(address, {
      tell: (event) => {
        for (const tell of room.listeners) tell(event);
      },
      recording: () => room.recording,
      keep: (row) => room.recording?.rows.push(row),
    });
  }

  private leave(jobId: string, room: Room): void {
    if (room.listeners.size > 0 || room.recording !== null) return;
    room.watch?.stop();
    room.watch = null;
    this.rooms.delete(jobId);
  }

  private write(room: Room): Promise<void> {
    const { recording } = room;
    room.writing = room.writing.then(async () => {
      if (!recording || recording.rows.length === 0) return;
      const { rows } = recording;
      recording.rows = [];
      try {
        await this.store.add(recording.id, rows);
      } catch (error) {
        // They are written with the next ones: nothing is lost by a database that is away for a while.
        recording.rows = [...rows, ...recording.rows];
        throw error;
      }
    });
    const done = room.writing;
    room.writing = room.writing.catch(() => undefined);
    return done;
  }

  private async close(): Promise<void> {
    for (const room of this.rooms.values()) {
      room.watch?.stop();
      if (room.timer) clearInterval(room.timer);
      await this.write(room).catch(this.failed);
    }
    this.rooms.clear();
  }
}
