import { Injectable } from '@angular/core';
import type { Job } from '@levamen/core/job';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { History } from './history';

/** A draft of another tab whose edits went into this one. */
export interface AdoptedDraft {
  readonly tab: string;
  readonly savedAt: number;
}

/** Edits that have not reached the server yet, as one tab holds them. */
export interface KeptDraft {
  readonly jobId: string;
  readonly tab: string;
  readonly baseRevision: number;
  /** What the edits started from: they can be merged with whatever the server has by now. */
  readonly base: unknown;
  readonly document: unknown;
  /** Ids of saves that were sent and never answered. */
  readonly unanswered: readonly string[];
  readonly savedAt: number;
  /** Drafts that went into it; left out by programs of before. */
  readonly contains?: readonly AdoptedDraft[];
  /** Whose edits they are: the account that had signed in; null or left out = nobody had to. */
  readonly account?: string | null;
}

/** Steps of undo of one tab. */
export interface KeptHistory {
  readonly jobId: string;
  readonly tab: string;
  readonly history: History<Job>;
  readonly savedAt: number;
}

/** Answer to a long study. */
export interface KeptAnswer {
  readonly key: string;
  readonly value: unknown;
  readonly savedAt: number;
}

/** A job that is taken along. */
export interface RoadJob {
  readonly jobId: string;
  readonly name: string;
  /** Under which its parts are kept. */
  readonly addresses: readonly string[];
  readonly bytes: number;
  readonly takenAt: number;
}

interface DeviceSchema extends DBSchema {
  drafts: { key: [string, string]; value: KeptDraft; indexes: { job: string } };
  histories: { key: [string, string]; value: KeptHistory; indexes: { job: string } };
  answers: { key: string; value: KeptAnswer };
  road: { key: string; value: RoadJob };
}

export type DeviceHandle = IDBPDatabase<DeviceSchema>;

/** What this device keeps: one database for all tabs. */
@Injectable({ providedIn: 'root' })
export class DeviceDatabase {
  private handle: Promise<DeviceHandle> | null = null;

  /** The open database; rejects where storage is switched off. A failure is tried again the next time. */
  open(): Promise<DeviceHandle> {
    this.handle ??= this.opened().catch((error: unknown) => {
      this.handle = null;
      throw error;
    });
    return this.handle;
  }

  /** Empties parts of what is kept; edits that wait are none of them. */
  async forget(what: readonly ('histories' | 'answers' | 'road')[]): Promise<void> {
    const database = await this.open();
    await Promise.all(what.map((store) => database.clear(store)));
  }

  /** Where storage is switched off, some browsers throw at once: that becomes a rejection here. */
  private async opened(): Promise<DeviceHandle> {
    return openDB<DeviceSchema>('levamen', 2, {
      upgrade: (database, before) => {
        if (before < 1) {
          for (const name of ['drafts', 'histories'] as const) {
            database.createObjectStore(name, { keyPath: ['jobId', 'tab'] }).createIndex('job', 'jobId');
          }
          database.createObjectStore('answers', { keyPath: 'key' });
        }
        database.createObjectStore('road', { keyPath: 'jobId' });
      },
      // A newer page in another tab wants to change it: it may, and this one opens it anew.
      blocking: (_now, _wanted, event) => {
        this.handle = null;
        (event.target as IDBDatabase).close();
      },
      terminated: () => {
        this.handle = null;
      },
    });
  }
}
