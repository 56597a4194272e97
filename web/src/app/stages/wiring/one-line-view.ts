import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  type ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { dashMm, type DrawingItem, textsThatMeet, wiringNames } from '@levamen/core/wiring';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import { DrawingExports } from '../../drawings/drawing-exports';
import { type DrawingLook, DrawingShapes } from '../../drawings/drawing-shapes';
import { pointerDrag } from '../../ui/pointer-drag';
import { WiringState } from './wiring-state';

/** How a conductor is drawn by what it is live from: a form first, a colour last. */
const forms = {
  grid: { word: 'live from the grid', dash: '' },
  inverter: { word: 'live from the battery', dash: '3 1.2' },
  generator: { word: 'live from the generator', dash: '3 1 0.6 1' },
  array: { word: 'live', dash: '' },
  dead: { word: 'dead', dash: '0.4 1' },
} as const;
type Form = keyof typeof forms;

/** How far the keys move a thing, mm. */
const steps: Readonly<Record<string, readonly [right: number, down: number]>> = {
  ArrowLeft: [-4, 0],
  ArrowRight: [4, 0],
  ArrowUp: [0, -4],
  ArrowDown: [0, 4],
};
/** A pointer that moves less chooses. */
const leastDragMm = 2;

/** Layers of what runs between things. */
const running: ReadonlySet<DrawingItem['layer']> = new Set(['conductors', 'communication', 'enclosures']);

interface Dragged {
  readonly id: string;
  readonly right: number;
  readonly down: number;
}

/** The one-line drawing on the screen; what stands on it can be chosen with pointer and keys. */
@Component({
  selector: 'lv-one-line-view',
  imports: [Button, DrawingExports, DrawingShapes, FormsModule, Select],
  template: `
    @if (drawing(); as sheet) {
      <div class="zoom">
        @if (views().length > 1) {
          <p-select
            ariaLabel="What is drawn"
            optionLabel="label"
            optionValue="value"
            size="small"
            [options]="views()"
            [ngModel]="state.drawn()?.deviceId"
            (ngModelChange)="state.deviceId.set($event)"
          />
        }
        <lv-drawing-exports
          [drawing]="sheet"
          [name]="isOneLine() ? 'one-line drawing' : 'three-line drawing'"
        />
        @if (state.isNudged() && isOneLine()) {
          <p-button label="Lay out anew" size="small" [text]="true" (onClick)="state.layOutAnew()" />
        }
        <p-button
          label="Smaller"
          icon="pi pi-search-minus"
          size="small"
          [text]="true"
          (onClick)="scale.set(scale() / 1.25)"
        />
        <p-button
          label="Larger"
          icon="pi pi-search-plus"
          size="small"
          [text]="true"
          (onClick)="scale.set(scale() * 1.25)"
        />
      </div>
      <div
        #paper
        class="paper"
        tabindex="0"
        role="region"
        [attr.aria-label]="
          title() +
          (isOneLine() ? '; the list of parts says the same. Alt and arrows move what is focused.' : '')
        "
      >
        <svg
          [attr.viewBox]="'0 0 ' + sheet.widthMm + ' ' + sheet.heightMm"
          [style.width.rem]="sheet.widthMm * scale()"
          role="group"
          [attr.aria-label]="title()"
        >
          <svg:g lvDrawing [drawing]="sheet" [lookOf]="lookOf()" />
          @for (spot of spots(); track spot.id) {
            <rect
              class="spot"
              tabindex="0"
              role="button"
              [attr.aria-label]="spot.name"
              [class.marked]="state.marked().includes(spot.id)"
              [attr.aria-pressed]="spot.id === state.chosen()"
              [attr.transform]="dragOf(spot.id)"
              [attr.x]="spot.x"
              [attr.y]="spot.y"
              [attr.width]="spot.width"
              [attr.height]="spot.height"
              (click)="state.chosen.set(spot.id)"
              (keydown)="onKey($event, spot.id)"
              (pointerdown)="drag($event, spot.id)"
            />
          }
        </svg>
      </div>
      @if (covered(); as pair) {
        <p class="small covered" role="status" data-covered>
          <i class="pi pi-exclamation-triangle" aria-hidden="true"></i>
          “{{ pair[0] }}” and “{{ pair[1] }}” lie over each other{{ pair[2] }}. Move one of them on, undo, or
          lay out anew.
        </p>
      }
      <p class="legend small">
        @for (form of legend(); track form.word) {
          <span>
            <svg viewBox="0 0 14 2" width="42" height="6" aria-hidden="true">
              <line x1="0" y1="1" x2="14" y2="1" stroke-width="0.7" [attr.stroke-dasharray]="form.dash" />
            </svg>
            {{ form.word }}
          </span>
        }
      </p>
    } @else {
      <p class="soft small">It is being drawn…</p>
    }
  `,
  styleUrl: './one-line-view.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OneLineView {
  protected readonly state = inject(WiringState);
  private readonly paper = viewChild<ElementRef<HTMLElement>>('paper');
  /** Rem for a millimetre: text of 2.6 mm is as large as small text on the screen. */
  protected readonly scale = signal(0.27);

  protected readonly drawing = computed(() => this.state.drawn()?.drawing ?? null);
  /** Two texts that lie over each other since things were moved, and how many more; null = none do. */
  protected readonly covered = computed((): readonly [string, string, string] | null => {
    const drawing = this.drawing();
    if (!drawing || !this.state.isNudged()) return null;
    const [first, ...others] = textsThatMeet(drawing);
    if (!first) return null;
    const more = others.length === 0 ? '' : `, and ${others.length} more do`;
    return [first[0].text, first[1].text, more];
  });
  protected readonly isOneLine = computed(() => this.state.drawn()?.deviceId === '');
  protected readonly views = computed(() => [
    { value: '', label: 'One line, the whole' },
    ...(this.state.drawn()?.ways ?? []).map(({ deviceId, name }) => ({
      value: deviceId,
      label: `Every conductor: ${name}`,
    })),
  ]);
  protected readonly title = computed(() =>
    this.isOneLine() ? 'One-line drawing' : 'Drawing of every conductor at the isolating device',
  );
  /** What each conductor is live from, where that is known. */
  private readonly formOf = computed(() => {
    const live = this.state.live();
    const terminals = new Set(
      this.state.graph()?.places.flatMap(({ id, kind }) => (kind === 'terminals' ? [id] : [])),
    );
    return ({ kind, layer, place }: DrawingItem): Form | '' => {
      const isConductor =
        kind === 'line' && (layer === 'conductors' || layer === 'busbars' || terminals.has(place));
      return live && isConductor ? (live.get(place) ?? 'dead') : '';
    };
  });
  protected readonly lookOf = computed(() => {
    const formOf = this.formOf();
    const chosen = this.state.chosen();
    return (item: DrawingItem): DrawingLook => {
      const form = formOf(item);
      const isChosen = item.about !== '' && item.about === chosen;
      const frame = item.layer === 'enclosures' ? 'frame' : '';
      return {
        classes: [form, frame, isChosen ? 'chosen' : ''].join(' '),
        dash: form === '' ? '' : forms[form].dash,
      };
    };
  });
  protected readonly legend = computed(() => {
    const items = this.drawing()?.items ?? [];
    const used = new Set(items.map(this.formOf()));
    const speaks = items.some(({ layer }) => layer === 'communication');
    return [
      ...Object.entries(forms).flatMap(([form, said]) => (used.has(form as Form) ? [said] : [])),
      ...(speaks ? [{ word: 'communication, measuring', dash: dashMm({ layer: 'communication' }) }] : []),
    ];
  });
  /** Where a pointer or the keys meet what stands on the drawing: the room of its symbol and words. */
  protected readonly spots = computed(() => {
    const graph = this.state.graph();
    const names = graph && wiringNames(graph);
    const rooms = new Map<string, { x1: number; y1: number; x2: number; y2: number }>();
    for (const item of this.drawing()?.items ?? []) {
      if (item.about === '' || running.has(item.layer)) continue;
      const corners =
        item.kind === 'line'
          ? item.points
          : item.kind === 'circle'
            ? [
                [item.centre[0] - item.radiusMm, item.centre[1] - item.radiusMm] as const,
                [item.centre[0] + item.radiusMm, item.centre[1] + item.radiusMm] as const,
              ]
            : [];
      const room = rooms.get(item.about) ?? { x1: Infinity, y1: Infinity, x2: -Infinity, y2: -Infinity };
      for (const [x, y] of corners) {
        room.x1 = Math.min(room.x1, x);
        room.y1 = Math.min(room.y1, y);
        room.x2 = Math.max(room.x2, x);
        room.y2 = Math.max(room.y2, y);
      }
      if (corners.length > 0) rooms.set(item.about, room);
    }
    const least = 8;
    return [...rooms].map(([id, { x1, y1, x2, y2 }]) => {
      const width = Math.max(least, x2 - x1);
      const height = Math.max(least, y2 - y1);
      return {
        id,
        name: `${this.state.tagOf(id)} ${names?.get(id) ?? ''}`.trim(),
        x: (x1 + x2 - width) / 2,
        y: (y1 + y2 - height) / 2,
        width,
        height,
      };
    });
  });

  /** What goes along with the pointer, and how far, mm; null = nothing. */
  private readonly dragged = signal<Dragged | null>(null);
  private readonly destroyed = inject(DestroyRef);

  constructor() {
    // Where a drawing is larger than its room, its beginning is shown, where the supply comes in, or what a finding is about.
    let shown: readonly string[] | null = null;
    afterRenderEffect(() => {
      const paper = this.paper()?.nativeElement;
      const spots = this.spots();
      const marked = this.state.marked();
      const target = spots.find(({ id }) => id === marked.at(-1)) ?? spots[0];
      if (shown === marked || !paper || !target) return;
      shown = marked;
      const perMm = paper.querySelector('svg')!.clientWidth / this.drawing()!.widthMm;
      paper.scrollTo(target.x * perMm - paper.clientWidth / 2, target.y * perMm - paper.clientHeight / 2);
    });
  }

  /** Enter chooses; Alt and an arrow move it on the drawing. */
  protected onKey(event: KeyboardEvent, id: string): void {
    const step = event.altKey && this.isOneLine() ? steps[event.key] : undefined;
    if (step) this.state.nudge(id, step[0], step[1]);
    else if (event.key === 'Enter') this.state.chosen.set(id);
    else return;
    event.preventDefault();
  }

  /** A thing goes along with the pointer, and stays where it is let go. */
  protected drag(start: PointerEvent, id: string): void {
    // A finger scrolls.
    if (!this.isOneLine() || start.button !== 0 || start.pointerType === 'touch') return;
    const svg = this.paper()!.nativeElement.querySelector('svg')!;
    const mmPerPixel = this.drawing()!.widthMm / svg.getBoundingClientRect().width;
    pointerDrag(start, leastDragMm / mmPerPixel)
      .pipe(takeUntilDestroyed(this.destroyed))
      .subscribe((step) => {
        if (step.at !== 'move') return this.drop(step.at === 'drop');
        const { right, down } = step.move;
        this.dragged.set({ id, right: right * mmPerPixel, down: down * mmPerPixel });
      });
  }

  /** Where a thing is dragged to; null = it is not. */
  protected dragOf(id: string): string | null {
    const dragged = this.dragged();
    return dragged?.id === id ? `translate(${dragged.right} ${dragged.down})` : null;
  }

  private drop(isKept: boolean): void {
    const dragged = this.dragged();
    if (dragged && isKept) this.state.nudge(dragged.id, dragged.right, dragged.down);
    this.dragged.set(null);
  }
}
