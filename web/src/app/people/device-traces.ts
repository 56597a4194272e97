import { inject, Injectable } from '@angular/core';
import { DeviceDatabase } from '../data/device-database';
import { DraftStore } from '../data/draft-store';
import { Savers } from '../data/savers';
import { Road } from '../field/road';
import { WaitingPhotos } from '../photos/waiting-photos';

/** What would be lost with this device's memory. */
export interface Unsent {
  readonly jobs: number;
  readonly photos: number;
}

/** What somebody leaves behind on this device. */
@Injectable({ providedIn: 'root' })
export class DeviceTraces {
  private readonly database = inject(DeviceDatabase);
  private readonly drafts = inject(DraftStore);
  private readonly savers = inject(Savers);
  private readonly road = inject(Road);
  private readonly photos = inject(WaitingPhotos);

  /** What the server does not have, after it was tried once more. */
  async unsent(): Promise<Unsent> {
    await this.savers.settled();
    try {
      const [drafts, photos] = await Promise.all([this.drafts.all(), this.photos.all()]);
      const own = drafts.filter((draft) => this.drafts.isOwn(draft));
      return { jobs: new Set(own.map(({ jobId }) => jobId)).size, photos: photos.length };
    } catch {
      // A device that keeps nothing has nothing to lose but what the savers hold.
      return { jobs: this.savers.behind(), photos: 0 };
    }
  }

  /** Jobs that were taken along, steps of undo, answers: all of it goes. Edits that wait, only where `withUnsent` says so. */
  async remove(withUnsent: boolean): Promise<void> {
    await this.road.forget();
    await this.database.forget(['histories', 'answers']).catch(() => undefined);
    if (!withUnsent) return;
    const own = (await this.drafts.all().catch(() => [])).filter((draft) => this.drafts.isOwn(draft));
    await Promise.all(own.map(({ jobId, tab }) => this.drafts.remove(jobId, tab)));
    for (const photo of await this.photos.all().catch(() => [])) await this.photos.remove(photo);
  }
}
