import { Injectable } from '@angular/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** A photo that the server does not have yet. */
export interface WaitingPhoto {
  readonly jobId: string;
  readonly digest: string;
  readonly bytes: Blob;
}

interface WaitingSchema extends DBSchema {
  photos: { key: [string, string]; value: WaitingPhoto };
}

/** Keeps photos on this device until the server has them. */
@Injectable({ providedIn: 'root' })
export class WaitingPhotos {
  private handle: Promise<IDBPDatabase<WaitingSchema>> | null = null;

  async all(): Promise<readonly WaitingPhoto[]> {
    return (await this.open()).getAll('photos');
  }

  async keep(photo: WaitingPhoto): Promise<void> {
    await (await this.open()).put('photos', photo);
  }

  async remove({ jobId, digest }: WaitingPhoto): Promise<void> {
    await (await this.open()).delete('photos', [jobId, digest]);
  }

  /** A failure is tried again the next time. */
  private open(): Promise<IDBPDatabase<WaitingSchema>> {
    this.handle ??= this.opened().catch((error: unknown) => {
      this.handle = null;
      throw error;
    });
    return this.handle;
  }

  /** Where storage is switched off, some browsers throw at once: that becomes a rejection here. */
  private async opened(): Promise<IDBPDatabase<WaitingSchema>> {
    return openDB<WaitingSchema>('levamen-photos', 1, {
      upgrade: (database) => {
        database.createObjectStore('photos', { keyPath: ['jobId', 'digest'] });
      },
      terminated: () => {
        this.handle = null;
      },
    });
  }
}
