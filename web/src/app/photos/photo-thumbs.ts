import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { fieldFacts } from '@levamen/core/base';
import { type Photo, photoSchema } from '@levamen/core/house';
import { JobSession } from '../data/job-session';
import { PhotoSender } from './photo-sender';

const subjectLabels = new Map(fieldFacts.get(photoSchema.shape.subject)?.choices ?? []);

/** Small pictures; one is chosen to be looked at. */
@Component({
  selector: 'lv-photo-thumbs',
  template: `
    <ul>
      @for (thumb of thumbs(); track thumb.photo.id) {
        <li>
          <button
            type="button"
            [attr.aria-label]="'Look at ' + thumb.text"
            (click)="chosen.emit(thumb.photo)"
          >
            @if (thumb.isMissing) {
              <span class="missing">The picture is not on this server</span>
            } @else {
              <img
                loading="lazy"
                decoding="async"
                alt=""
                [src]="thumb.address"
                (error)="miss(thumb.photo.digest)"
              />
            }
            <span class="text">{{ thumb.text }}</span>
          </button>
        </li>
      }
    </ul>
  `,
  styles: `
    ul {
      list-style: none;
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(6.6rem, 1fr));
      gap: 0.4rem;
    }
    button {
      display: grid;
      width: 100%;
      padding: 0;
      border: 1px solid var(--rule-strong);
      background: var(--sheet-raised);
      text-align: start;
      cursor: pointer;
    }
    img,
    .missing {
      width: 100%;
      height: 5rem;
      object-fit: cover;
      font-size: 0.8rem;
    }
    .missing {
      padding: 0.4rem;
      background: var(--paper);
    }
    .text {
      padding: 0.15rem 0.35rem;
      font-size: 0.8rem;
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PhotoThumbs {
  private readonly session = inject(JobSession);
  private readonly sender = inject(PhotoSender);
  readonly photos = input.required<readonly Photo[]>();
  readonly chosen = output<Photo>();

  private readonly missing = signal<ReadonlySet<string>>(new Set());
  protected readonly thumbs = computed(() =>
    this.photos().map((photo) => ({
      photo,
      address: this.sender.address(this.session.id(), photo.digest),
      text: photo.caption === '' ? (subjectLabels.get(photo.subject) ?? photo.subject) : photo.caption,
      isMissing: this.missing().has(photo.digest),
    })),
  );

  protected miss(digest: string): void {
    this.missing.update((all) => new Set(all).add(digest));
  }
}
