import { inject, Injectable, signal } from '@angular/core';
import { maxPhotos, type Photo, type PhotoSubject } from '@levamen/core/house';
import { JobSession } from '../data/job-session';
import { localDay } from '../ui/local-day';
import { PhotoSender } from './photo-sender';
import { scalePhoto } from './scale-photo';

/** Day a file was written, in the zone of this device: for a picture just taken, today. */
const dayOf = ({ lastModified }: File): string | null => {
  const day = new Date(lastModified);
  return Number.isFinite(lastModified) && day.getFullYear() > 1990 ? localDay(day) : null;
};

/** Edits of the photos of the open job. */
@Injectable()
export class PhotoEdits {
  private readonly session = inject(JobSession);
  private readonly sender = inject(PhotoSender);

  /** Pictures that are being scaled down. */
  readonly busy = signal(0);
  /** Why a file was not taken; '' = all were. */
  readonly problem = signal('');

  /** Takes pictures in, one step of undo each; what cannot be read is said, the others are kept. */
  async add(
    files: readonly File[],
    aboutId: string | null,
    subject: PhotoSubject,
    caption = '',
  ): Promise<void> {
    this.problem.set('');
    this.busy.update((count) => count + files.length);
    for (const file of files) {
      try {
        await this.addOne(file, { aboutId, subject, caption });
      } catch (error) {
        const why = error instanceof Error ? error.message : 'It could not be taken.';
        this.problem.set(`${file.name}: ${why}`);
      } finally {
        this.busy.update((count) => count - 1);
      }
    }
  }

  change(id: string, change: Partial<Photo>, label: string): void {
    this.session.edit(label, (plan) => ({
      ...plan,
      photos: plan.photos.map((photo) => (photo.id === id ? { ...photo, ...change } : photo)),
    }));
  }

  remove(id: string): void {
    this.session.edit('photo removed', (plan) => ({
      ...plan,
      photos: plan.photos.filter((photo) => photo.id !== id),
    }));
  }

  private async addOne(file: File, of: Pick<Photo, 'aboutId' | 'subject' | 'caption'>): Promise<void> {
    const jobId = this.session.id();
    if ((this.session.plan()?.photos.length ?? 0) >= maxPhotos)
      throw new Error(`A job holds at most ${maxPhotos} photos. Remove some first.`);
    const { bytes, digest, widthPx, heightPx } = await scalePhoto(file);
    await this.sender.keep({ jobId, digest, bytes });
    // The job may have been left while the picture was scaled.
    if (this.session.id() !== jobId) return;
    const photo: Photo = {
      id: crypto.randomUUID(),
      digest,
      ...of,
      takenOn: dayOf(file),
      widthPx,
      heightPx,
    };
    this.session.edit('photo', (plan) => ({ ...plan, photos: [...plan.photos, photo] }));
  }
}
