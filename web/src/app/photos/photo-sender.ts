import { HttpErrorResponse } from '@angular/common/http';
import { computed, inject, Injectable, signal } from '@angular/core';
import { firstValueFrom, timer } from 'rxjs';
import { JobsApi, problemText } from '../data/jobs-api';
import { Road } from '../field/road';
import { type WaitingPhoto, WaitingPhotos } from './waiting-photos';

const firstPauseMs = 2000;
const longestPauseMs = 30_000;

const keyOf = ({ jobId, digest }: Pick<WaitingPhoto, 'jobId' | 'digest'>): string => `${jobId} ${digest}`;

/** Trying again would not help. */
const isRefused = (error: unknown): boolean =>
  error instanceof HttpErrorResponse && [404, 413, 415, 422].includes(error.status);

/** Brings photos to the server, however long it is away; meanwhile they are shown from this device. */
@Injectable({ providedIn: 'root' })
export class PhotoSender {
  private readonly api = inject(JobsApi);
  private readonly device = inject(WaitingPhotos);
  private readonly road = inject(Road);
  private readonly queue: WaitingPhoto[] = [];
  private isSending = false;

  /** Where photos that wait are shown from, by job and digest. */
  private readonly local = signal<ReadonlyMap<string, string>>(new Map());
  /** Photos that wait to be sent. */
  readonly waiting = computed(() => this.local().size);
  /** How many of them are of which job. */
  readonly waitingByJob = computed(() => {
    const counts = new Map<string, number>();
    for (const key of this.local().keys()) {
      const jobId = key.slice(0, key.indexOf(' '));
      counts.set(jobId, (counts.get(jobId) ?? 0) + 1);
    }
    return counts;
  });
  /** Why a photo could not be kept; '' = none was refused. */
  readonly problem = signal('');

  constructor() {
    // Where storage is off nothing waits from before.
    this.device.all().then(
      (all) => {
        for (const photo of all) this.take(photo);
      },
      () => undefined,
    );
  }

  /** The address a photo is shown from. */
  address(jobId: string, digest: string): string {
    return this.local().get(keyOf({ jobId, digest })) ?? `/api/jobs/${jobId}/photos/${digest}`;
  }

  /** The bytes of a photo, from here or from the server; null where neither has them. */
  async bytes(jobId: string, digest: string): Promise<Uint8Array<ArrayBuffer> | null> {
    const answer = await fetch(this.address(jobId, digest)).catch(() => null);
    return answer?.ok ? new Uint8Array(await answer.arrayBuffer()) : null;
  }

  /** Keeps a photo on this device and sends it. */
  async keep(photo: WaitingPhoto): Promise<void> {
    // Where the device does not keep it, it is sent all the same.
    await this.device.keep(photo).catch(() => undefined);
    this.take(photo);
  }

  private take(photo: WaitingPhoto): void {
    const key = keyOf(photo);
    if (this.local().has(key)) return;
    this.local.update((all) => new Map(all).set(key, URL.createObjectURL(photo.bytes)));
    this.queue.push(photo);
    void this.send();
  }

  private async send(): Promise<void> {
    if (this.isSending) return;
    this.isSending = true;
    let pauseMs = firstPauseMs;
    for (let photo = this.queue[0]; photo; photo = this.queue[0]) {
      try {
        await firstValueFrom(this.api.putPhoto(photo));
        this.queue.shift();
        await this.road.keepPhoto(photo.jobId, photo.digest, photo.bytes).catch(() => undefined);
        await this.device.remove(photo).catch(() => undefined);
        this.forget(photo);
        pauseMs = firstPauseMs;
      } catch (error) {
        if (isRefused(error)) {
          // It stays on this device, and is shown from there.
          this.problem.set(`A photo could not be kept: ${problemText(error)}`);
          this.queue.shift();
        } else {
          await firstValueFrom(timer(pauseMs));
          pauseMs = Math.min(longestPauseMs, 2 * pauseMs);
        }
      }
    }
    this.isSending = false;
  }

  private forget(photo: WaitingPhoto): void {
    const key = keyOf(photo);
    const url = this.local().get(key);
    this.local.update((all) => {
      const rest = new Map(all);
      rest.delete(key);
      return rest;
    });
    if (url !== undefined) URL.revokeObjectURL(url);
  }
}
