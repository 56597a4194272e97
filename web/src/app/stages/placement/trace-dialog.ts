import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  type ElementRef,
  inject,
  model,
  signal,
  viewChild,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { type OpeningKind, openingSchema, type Wall, type WallTrace } from '@levamen/core/house';
import { type PhotoPoint, photoToWall, wallToPhoto } from '@levamen/core/house/details';
import { lengthText, openingName } from '@levamen/core/placement/details';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { Select } from 'primeng/select';
import { JobSession } from '../../data/job-session';
import { PhotoSender } from '../../photos/photo-sender';
import { AmountField } from '../../ui/amount-field';
import { pointerDrag } from '../../ui/pointer-drag';
import { openingChoices } from './opening-choices';
import { PlacementState } from './placement-state';

const cornerNames = ['lower left', 'lower right', 'upper right', 'upper left'] as const;
/** How far the keys move a corner, as a share of the photo. */
const keyStep = 0.004;
const arrows: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
/** Where the corners lie before anybody has moved them. */
const atFirst: WallTrace['corners'] = [
  { x: 0.15, y: 0.85 },
  { x: 0.85, y: 0.85 },
  { x: 0.85, y: 0.15 },
  { x: 0.15, y: 0.15 },
];

/** A wall traced over its photo: a rectangle of which two lengths are known, and what is on the wall marked with two clicks. */
@Component({
  selector: 'lv-trace-dialog',
  imports: [AmountField, Button, Dialog, FormsModule, Select],
  template: `
    <p-dialog
      header="Trace over a photo"
      closeAriaLabel="Close"
      [modal]="true"
      [visible]="isOpen()"
      (visibleChange)="isOpen.set($event)"
      [style]="{ width: '62rem', maxWidth: '96vw' }"
    >
      @if (photos().length === 0) {
        <p>Add a photo of this wall first: below, in the survey of the wall.</p>
      } @else if (wall(); as wall) {
        <p class="small soft">
          Put the four corners on a rectangle whose width and height you have measured: the wall itself, a
          door, a sheet of paper. Then mark what is on the wall by two opposite corners.
        </p>
        <div class="row">
          @if (photos().length > 1) {
            <p-select
              ariaLabel="Photo"
              optionLabel="label"
              optionValue="value"
              size="small"
              [options]="choices()"
              [ngModel]="photo()?.id"
              (ngModelChange)="change({ photoId: $event })"
            />
          }
          @for (field of fields; track field.name) {
            <lv-amount-field
              unit="span"
              [label]="field.label"
              [schema]="field.schema"
              [system]="state.units()"
              [value]="trace()[field.name]"
              (valueChange)="setLength(field.name, $event)"
            />
          }
        </div>
        <div class="row">
          <p-select
            ariaLabel="What is marked"
            optionLabel="label"
            optionValue="value"
            size="small"
            [options]="kinds"
            [ngModel]="kind()"
            (ngModelChange)="kind.set($event)"
          />
          <p-button
            [label]="marking() ? 'Marking: stop' : 'Mark it'"
            size="small"
            [outlined]="!marking()"
            (onClick)="toggleMarking()"
          />
          <span class="small" role="status">{{ status() }}</span>
        </div>
        <div
          class="frame"
          #frame
          role="group"
          tabindex="0"
          aria-label="Photo of the wall; while marking, arrows move the cross and Enter marks a corner"
          [class.marking]="marking()"
          (click)="onClick($event)"
          (keydown)="onFrameKey($event)"
        >
          <img [src]="address()" alt="Photo of the wall" draggable="false" />
          <svg viewBox="0 0 1 1" preserveAspectRatio="none" aria-hidden="true">
            <polygon class="known" [attr.points]="outline()" />
            @for (shape of shapes(); track $index) {
              <polygon class="opening" [attr.points]="shape" />
            }
          </svg>
          @for (corner of corners(); track $index) {
            <button
              type="button"
              class="corner"
              [style.inset-inline-start.%]="100 * corner.x"
              [style.inset-block-start.%]="100 * corner.y"
              [attr.aria-label]="'Corner ' + corner.name + '; arrows move it'"
              (pointerdown)="drag($event, $index)"
              (keydown)="onKey($event, $index)"
              (click)="$event.stopPropagation()"
            ></button>
          }
          @if (cross(); as at) {
            <span
              class="cross"
              [style.inset-inline-start.%]="100 * at.x"
              [style.inset-block-start.%]="100 * at.y"
            ></span>
          }
          @if (first(); as at) {
            <span
              class="first"
              [style.inset-inline-start.%]="100 * at.x"
              [style.inset-block-start.%]="100 * at.y"
            ></span>
          }
        </div>
      }
    </p-dialog>
  `,
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      align-items: start;
      gap: 0.5rem 0.9rem;
      margin-block: 0.5rem;
    }
    .row lv-amount-field {
      width: 9rem;
    }
    .frame {
      position: relative;
      max-width: 100%;
      width: fit-content;
      touch-action: none;
    }
    .frame.marking {
      cursor: crosshair;
    }
    img {
      display: block;
      max-width: 100%;
      max-height: 52vh;
    }
    svg {
      position: absolute;
      inset: 0;
      width: 100%;
      height: 100%;
    }
    polygon {
      fill: none;
      vector-effect: non-scaling-stroke;
      stroke-width: 2px;
    }
    .known {
      stroke: #ffe08a;
      stroke-dasharray: 6 4;
    }
    .opening {
      stroke: #ffffff;
      paint-order: stroke;
    }
    .corner,
    .first {
      position: absolute;
      width: 26px;
      height: 26px;
      translate: -50% -50%;
      border: 3px solid #ffe08a;
      outline: 1px solid #26221c;
      border-radius: 50%;
      background: rgb(38 34 28 / 40%);
    }
    .corner {
      cursor: move;
    }
    .corner:focus-visible {
      outline: 4px solid var(--accent);
    }
    .cross {
      position: absolute;
      width: 22px;
      height: 22px;
      translate: -50% -50%;
      pointer-events: none;
      background:
        linear-gradient(#fff, #fff) center / 2px 100% no-repeat,
        linear-gradient(#fff, #fff) center / 100% 2px no-repeat;
      outline: 1px solid #26221c;
    }
    .first {
      width: 12px;
      height: 12px;
      border-color: #ffffff;
      pointer-events: none;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TraceDialog {
  readonly isOpen = model.required<boolean>();
  protected readonly state = inject(PlacementState);
  private readonly session = inject(JobSession);
  private readonly sender = inject(PhotoSender);
  private readonly destroyed = inject(DestroyRef);
  private readonly frame = viewChild<ElementRef<HTMLElement>>('frame');

  protected readonly fields = [
    { name: 'widthM', label: 'Its width', schema: openingSchema.shape.widthM },
    { name: 'heightM', label: 'Its height', schema: openingSchema.shape.heightM },
    { name: 'leftM', label: 'From the left end', schema: openingSchema.shape.leftM },
    { name: 'bottomM', label: 'From the ground', schema: openingSchema.shape.bottomM },
  ] as const;
  protected readonly kinds = openingChoices;
  protected readonly kind = signal<OpeningKind>('door');
  protected readonly marking = signal(false);
  /** The first of two corners that mark something; null = none yet. */
  protected readonly first = signal<PhotoPoint | null>(null);
  /** Where the keys are on the photo; null = nobody has used them. */
  protected readonly cross = signal<PhotoPoint | null>(null);
  private readonly said = signal('');

  protected readonly wall = computed((): Wall | null => this.state.wall());
  protected readonly photos = computed(() =>
    (this.session.plan()?.photos ?? []).filter(({ aboutId }) => aboutId === this.wall()?.id),
  );
  protected readonly photo = computed(
    () => this.photos().find(({ id }) => id === this.wall()?.trace?.photoId) ?? this.photos()[0] ?? null,
  );
  protected readonly choices = computed(() =>
    this.photos().map(({ id, caption, takenOn }, index) => ({
      value: id,
      label: caption || takenOn || `Photo ${index + 1}`,
    })),
  );
  protected readonly address = computed(() =>
    this.sender.address(this.session.id(), this.photo()?.digest ?? ''),
  );
  protected readonly trace = computed((): WallTrace => {
    const wall = this.wall();
    const photoId = this.photo()?.id ?? '';
    if (wall?.trace?.photoId === photoId) return this.moved() ?? wall.trace;
    return {
      photoId,
      corners: this.moved()?.corners ?? atFirst,
      leftM: 0,
      bottomM: 0,
      widthM: wall?.lengthM ?? 1,
      heightM: wall?.heightM ?? 1,
    };
  });
  /** As the corners are while one is dragged. */
  private readonly moved = signal<WallTrace | null>(null);
  protected readonly corners = computed(() =>
    this.trace().corners.map((corner, index) => ({ ...corner, name: cornerNames[index]! })),
  );
  protected readonly outline = computed(() => pointsText(this.trace().corners));
  protected readonly shapes = computed(() => {
    const trace = this.trace();
    return (this.wall()?.openings ?? []).flatMap(({ leftM, bottomM, widthM, heightM }) => {
      const corners = [
        [leftM, bottomM],
        [leftM + widthM, bottomM],
        [leftM + widthM, bottomM + heightM],
        [leftM, bottomM + heightM],
      ].map(([left, bottom]) => wallToPhoto(trace, { leftM: left!, bottomM: bottom! }));
      return corners.every((corner) => corner !== null) ? [pointsText(corners)] : [];
    });
  });
  protected readonly status = computed(() => {
    if (this.said() !== '') return this.said();
    if (!this.marking()) return '';
    return this.first() ? 'Click the opposite corner.' : 'Click one corner of it on the photo.';
  });

  protected change(change: Partial<WallTrace>): void {
    const wall = this.wall();
    if (wall)
      this.state.changeWall(wall.id, { trace: { ...this.trace(), ...change } }, 'traced over a photo');
  }

  protected setLength(name: 'leftM' | 'bottomM' | 'widthM' | 'heightM', value: number | null): void {
    if (value !== null) this.change({ [name]: value });
  }

  protected toggleMarking(): void {
    this.marking.update((now) => !now);
    this.first.set(null);
    this.cross.set(null);
    this.said.set('');
  }

  protected onClick({ clientX, clientY }: MouseEvent): void {
    const at = this.pointAt(clientX, clientY);
    if (at) this.mark(at);
  }

  /** Arrows move the cross over the photo, Enter marks a corner there. */
  protected onFrameKey(event: KeyboardEvent): void {
    if (!this.marking() || event.target !== event.currentTarget) return;
    const now = this.cross() ?? { x: 0.5, y: 0.5 };
    const arrow = arrows[event.key];
    const step = event.shiftKey ? 5 * keyStep : keyStep;
    if (arrow) this.cross.set({ x: now.x + arrow[0] * step, y: now.y + arrow[1] * step });
    else if (event.key === 'Enter') this.mark(now);
    else return;
    event.preventDefault();
  }

  private mark(at: PhotoPoint): void {
    const wall = this.wall();
    if (!this.marking() || !wall) return;
    const first = this.first();
    if (!first) {
      this.said.set('');
      this.first.set(at);
      return;
    }
    this.first.set(null);
    const [one, other] = [photoToWall(this.trace(), first), photoToWall(this.trace(), at)];
    if (!one || !other) {
      this.said.set('The four corners lie on a line: put them on a rectangle.');
      return;
    }
    this.add(wall, [one.leftM, other.leftM], [one.bottomM, other.bottomM]);
  }

  private add(wall: Wall, lefts: readonly number[], bottoms: readonly number[]): void {
    const clean = (metres: number): number => Math.round(metres * 1000) / 1000;
    const within = (metres: number, most: number): number => Math.min(most, Math.max(0, metres));
    const leftM = clean(within(Math.min(...lefts), wall.lengthM));
    const rightM = clean(within(Math.max(...lefts), wall.lengthM));
    const bottomM = clean(within(Math.min(...bottoms), wall.heightM));
    const topM = clean(within(Math.max(...bottoms), wall.heightM));
    const opening = openingSchema.safeParse({
      id: crypto.randomUUID(),
      kind: this.kind(),
      name: '',
      leftM,
      bottomM,
      widthM: clean(rightM - leftM),
      heightM: clean(topM - bottomM),
    });
    if (!opening.success) {
      this.said.set('The two corners are too near each other, or beyond the wall: mark it again.');
      return;
    }
    const { data } = opening;
    this.state.changeWall(wall.id, { openings: [...wall.openings, data] }, 'marked on a photo');
    const units = this.state.units();
    this.said.set(
      `${openingName(data)}: ${lengthText(data.widthM, units)} wide, ${lengthText(data.heightM, units)} high, ${lengthText(leftM, units)} from the left.`,
    );
  }

  protected onKey(event: KeyboardEvent, index: number): void {
    const arrow = arrows[event.key];
    if (!arrow) return;
    event.preventDefault();
    const { x, y } = this.trace().corners[index]!;
    this.change({
      corners: this.withCorner(index, { x: x + arrow[0] * keyStep, y: y + arrow[1] * keyStep }),
    });
  }

  protected drag(start: PointerEvent, index: number): void {
    if (start.button !== 0) return;
    start.preventDefault();
    pointerDrag(start, 0)
      .pipe(takeUntilDestroyed(this.destroyed))
      .subscribe((step) => {
        if (step.at === 'move') {
          const at = this.pointAt(step.move.event.clientX, step.move.event.clientY);
          if (at) this.moved.set({ ...this.trace(), corners: this.withCorner(index, at) });
          return;
        }
        const moved = this.moved();
        this.moved.set(null);
        if (moved) this.change({ corners: moved.corners });
      });
  }

  private withCorner(index: number, at: PhotoPoint): WallTrace['corners'] {
    const round = (share: number): number => Math.round(Math.min(2, Math.max(-1, share)) * 1e5) / 1e5;
    return this.trace().corners.map((corner, place) =>
      place === index ? { x: round(at.x), y: round(at.y) } : corner,
    );
  }

  private pointAt(clientX: number, clientY: number): PhotoPoint | null {
    const room = this.frame()?.nativeElement.getBoundingClientRect();
    return room ? { x: (clientX - room.left) / room.width, y: (clientY - room.top) / room.height } : null;
  }
}

const pointsText = (points: readonly PhotoPoint[]): string => points.map(({ x, y }) => `${x},${y}`).join(' ');
