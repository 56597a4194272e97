import { ChangeDetectionStrategy, Component, computed, inject, input, model } from '@angular/core';
import { type Photo, photoSchema, photoThings } from '@levamen/core/house';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { JobSession } from '../data/job-session';
import { type Choice, ChoiceField } from '../ui/choice-field';
import { formOf } from '../ui/form';
import { FormField } from '../ui/form-field';
import { PhotoEdits } from './photo-edits';
import { PhotoSender } from './photo-sender';

const blank: Photo = {
  id: '',
  digest: '',
  aboutId: null,
  subject: 'other',
  caption: '',
  takenOn: null,
  widthPx: 1,
  heightPx: 1,
};
const ofHouse = '';

/** One photo at its full size, with what is said of it. */
@Component({
  selector: 'lv-photo-view',
  imports: [Button, ChoiceField, Dialog, FormField],
  template: `
    <p-dialog
      closeAriaLabel="Close"
      [header]="header()"
      [modal]="true"
      [dismissableMask]="true"
      [visible]="isOpen()"
      (visibleChange)="onVisible($event)"
      [style]="{ width: '60rem', maxWidth: '96vw' }"
    >
      @if (photo(); as one) {
        <div class="frame">
          <img
            [src]="address()"
            [alt]="one.caption || header()"
            [attr.width]="one.widthPx"
            [attr.height]="one.heightPx"
          />
        </div>
        <div class="pair">
          <lv-form-field [of]="form" name="caption" />
          <lv-form-field [of]="form" name="subject" />
          <lv-choice-field
            label="It is of"
            [choices]="things()"
            [value]="one.aboutId ?? house"
            (valueChange)="setAbout($event)"
          />
        </div>
        <p class="bar">
          <p-button
            label="Before"
            icon="pi pi-arrow-left"
            size="small"
            [text]="true"
            [disabled]="place() === 0"
            (onClick)="step(-1)"
          />
          <p-button
            label="Next"
            icon="pi pi-arrow-right"
            size="small"
            [text]="true"
            [disabled]="place() === photos().length - 1"
            (onClick)="step(1)"
          />
          <a [href]="address()" [download]="header() + '.jpg'">Save to this device</a>
          <p-button
            label="Remove the photo"
            size="small"
            severity="secondary"
            [text]="true"
            (onClick)="remove(one)"
          />
        </p>
      }
    </p-dialog>
  `,
  styles: `
    .frame {
      display: grid;
      place-items: center;
      background: var(--paper);
    }
    img {
      max-width: 100%;
      max-height: 58vh;
      width: auto;
      height: auto;
    }
    .pair {
      display: grid;
      grid-template-columns: 2fr 1fr 1.4fr;
      gap: 0.3rem 0.8rem;
      margin-block: 0.6rem;
    }
    .bar {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.3rem 0.8rem;
    }
    @media (width < 40rem) {
      .pair {
        grid-template-columns: 1fr;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PhotoView {
  private readonly session = inject(JobSession);
  private readonly sender = inject(PhotoSender);
  private readonly edits = inject(PhotoEdits);

  /** Those that can be gone through. */
  readonly photos = input.required<readonly Photo[]>();
  /** Id of the one that is looked at; '' = none. */
  readonly shown = model.required<string>();

  protected readonly house = ofHouse;
  protected readonly photo = computed(() => this.photos().find(({ id }) => id === this.shown()) ?? null);
  protected readonly isOpen = computed(() => this.photo() !== null);
  protected readonly place = computed(() => this.photos().findIndex(({ id }) => id === this.shown()));
  protected readonly address = computed(() =>
    this.sender.address(this.session.id(), this.photo()?.digest ?? ''),
  );
  protected readonly things = computed((): Choice<string>[] => {
    const plan = this.session.plan();
    return [
      { label: 'The house', value: ofHouse },
      ...(plan ? photoThings(plan) : []).map(({ id, label }) => ({ label, value: id })),
    ];
  });
  protected readonly header = computed(() => {
    const about = this.photo()?.aboutId ?? ofHouse;
    const thing = this.things().find(({ value }) => value === about)?.label ?? 'The house';
    const day = this.photo()?.takenOn;
    return `Photo ${this.place() + 1} of ${this.photos().length} · ${thing}${day ? `, ${day}` : ''}`;
  });
  protected readonly form = formOf<Photo>(
    photoSchema.shape,
    computed(() => this.photo() ?? blank),
    (change, label) => this.edits.change(this.shown(), change, label),
  );

  protected onVisible(visible: boolean): void {
    if (!visible) this.shown.set('');
  }

  protected setAbout(id: string | null): void {
    this.edits.change(this.shown(), { aboutId: id === null || id === ofHouse ? null : id }, 'photo is of');
  }

  protected step(by: number): void {
    const next = this.photos()[this.place() + by];
    if (next) this.shown.set(next.id);
  }

  protected remove({ id }: Photo): void {
    const next = this.photos()[this.place() + 1] ?? this.photos()[this.place() - 1];
    this.edits.remove(id);
    this.shown.set(next?.id ?? '');
  }
}
