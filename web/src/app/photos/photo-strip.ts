import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { PhotoSubject } from '@levamen/core/house';
import { JobSession } from '../data/job-session';
import { PhotoEdits } from './photo-edits';
import { PhotoSender } from './photo-sender';
import { PhotoThumbs } from './photo-thumbs';
import { PhotoView } from './photo-view';

const pictures = (files: FileList | null | undefined): File[] =>
  [...(files ?? [])].filter(
    ({ type, name }) => type.startsWith('image/') || /\.(heic|heif|jpe?g)$/i.test(name),
  );

/** The photos of one thing: taken or chosen here, dropped, or pasted. */
@Component({
  selector: 'lv-photo-strip',
  imports: [PhotoThumbs, PhotoView],
  providers: [PhotoEdits],
  template: `
    <div class="bar">
      <h4>{{ heading() }}</h4>
      <label class="file"
        ><i class="pi pi-camera" aria-hidden="true"></i> Add photos
        <input
          #picker
          type="file"
          accept="image/*"
          multiple
          [attr.aria-label]="'Add photos of ' + of()"
          (change)="add(picker.files); picker.value = ''"
        />
      </label>
    </div>
    <p class="small soft" role="status">{{ status() }}</p>
    @if (problem() !== '') {
      <p class="small problem" role="alert">
        <i class="pi pi-times-circle" aria-hidden="true"></i> {{ problem() }}
      </p>
    }
    <lv-photo-thumbs [photos]="photos()" (chosen)="shown.set($event.id)" />
    @defer (when shown() !== '') {
      <lv-photo-view [photos]="photos()" [(shown)]="shown" />
    }
  `,
  styleUrls: ['../ui/file-button.css', './photo-strip.css'],
  host: {
    '(dragover)': '$event.preventDefault()',
    '(drop)': 'onDrop($event)',
    '(paste)': 'onPaste($event)',
  },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PhotoStrip {
  private readonly session = inject(JobSession);
  private readonly edits = inject(PhotoEdits);
  private readonly sender = inject(PhotoSender);

  /** Id of the service, panel, circuit or load, or the step; null = the house. */
  readonly aboutId = input.required<string | null>();
  /** What new photos most likely show. */
  readonly subject = input.required<PhotoSubject>();
  /** Its name, for those who do not see where the button stands. */
  readonly of = input.required<string>();
  readonly heading = input('Photos');
  /** What new photos are called. */
  readonly caption = input('');

  protected readonly shown = signal('');
  protected readonly photos = computed(() =>
    (this.session.plan()?.photos ?? []).filter(({ aboutId }) => aboutId === this.aboutId()),
  );
  protected readonly problem = computed(() => this.edits.problem() || this.sender.problem());
  protected readonly status = computed(() => {
    const busy = this.edits.busy();
    if (busy > 0) return busy === 1 ? 'Scaling a photo down…' : `Scaling ${busy} photos down…`;
    const waiting = this.sender.waiting();
    if (waiting > 0)
      return `${waiting} ${waiting === 1 ? 'photo is' : 'photos are'} kept on this device and on the way to the server.`;
    return '';
  });

  protected add(files: FileList | null): void {
    this.take([...(files ?? [])]);
  }

  protected onDrop(event: DragEvent): void {
    event.preventDefault();
    this.take(pictures(event.dataTransfer?.files));
  }

  protected onPaste(event: ClipboardEvent): void {
    this.take(pictures(event.clipboardData?.files));
  }

  private take(files: readonly File[]): void {
    if (files.length > 0) void this.edits.add(files, this.aboutId(), this.subject(), this.caption());
  }
}
