import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { photoThings } from '@levamen/core/house';
import { Button } from 'primeng/button';
import { JobSession } from '../data/job-session';
import { downloadBlob, fileStem } from '../ui/download';
import { PhotoEdits } from './photo-edits';
import { PhotoSender } from './photo-sender';
import { PhotoStrip } from './photo-strip';
import { PhotoThumbs } from './photo-thumbs';
import { PhotoView } from './photo-view';

/** Every photo of the job, by what it shows. */
@Component({
  selector: 'lv-photos-page',
  imports: [Button, PhotoStrip, PhotoThumbs, PhotoView],
  providers: [PhotoEdits],
  template: `
    <section class="sheet" aria-labelledby="photos-heading">
      <div class="bar">
        <h2 id="photos-heading">Photos</h2>
        <p-button
          label="Save job and photos (ZIP)"
          icon="pi pi-download"
          size="small"
          [text]="true"
          [loading]="packing()"
          (onClick)="save()"
        />
      </div>
      <p class="small soft">
        Panel with and without its cover, legend, meter, nameplates, each wall that comes into question and
        the way to it. Scaled down and kept beside the job, without place or device of the camera. Photos of
        one panel, circuit, load or service are added there.
      </p>
      <p class="small" role="status">{{ summary() }}</p>
      <lv-photo-strip [aboutId]="null" subject="wall" of="the house" heading="The house" />
      @for (group of groups(); track group.id) {
        <h3>{{ group.label }}</h3>
        <lv-photo-thumbs [photos]="group.photos" (chosen)="shown.set($event.id)" />
      }
    </section>
    @defer (when shown() !== '') {
      <lv-photo-view [photos]="ofThings()" [(shown)]="shown" />
    }
  `,
  styles: `
    :host {
      display: block;
      padding: 0.6rem 0.7rem;
    }
    .sheet {
      display: grid;
      gap: 0.4rem;
      padding: 0.8rem 0.95rem;
    }
    .bar {
      display: flex;
      flex-wrap: wrap;
      justify-content: space-between;
    }
    h3 {
      margin-block: 0.6rem 0;
      font-size: 0.95rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PhotosPage {
  private readonly session = inject(JobSession);
  protected readonly shown = signal('');
  protected readonly packing = signal(false);
  private readonly sender = inject(PhotoSender);
  private readonly photos = computed(() => this.session.plan()?.photos ?? []);
  protected readonly groups = computed(() => {
    const plan = this.session.plan();
    return (plan ? photoThings(plan) : [])
      .map((thing) => ({ ...thing, photos: this.photos().filter(({ aboutId }) => aboutId === thing.id) }))
      .filter(({ photos }) => photos.length > 0);
  });
  /** In the order in which they are shown. */
  protected readonly ofThings = computed(() => this.groups().flatMap(({ photos }) => photos));
  protected readonly summary = computed(() => {
    const count = this.photos().length;
    return count === 0 ? 'None yet.' : `${count} ${count === 1 ? 'photo' : 'photos'}.`;
  });

  /** The file is made here. Photos that wait to be sent are taken from this device. */
  protected async save(): Promise<void> {
    const job = this.session.job();
    if (!job) return;
    this.packing.set(true);
    try {
      const { packJob } = await import('./job-archive');
      const jobId = this.session.id();
      const archive = await packJob(job, (digest) => this.sender.bytes(jobId, digest));
      downloadBlob(new Blob([archive], { type: 'application/zip' }), `${fileStem(job.name)}.levamen.zip`);
    } finally {
      this.packing.set(false);
    }
  }
}
