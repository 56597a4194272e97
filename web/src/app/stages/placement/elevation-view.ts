import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  type ElementRef,
  inject,
  viewChild,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { DrawingExports } from '../../drawings/drawing-exports';
import { DrawingShapes } from '../../drawings/drawing-shapes';
import { lengthText } from '@levamen/core/placement/details';
import { pointerDrag } from '../../ui/pointer-drag';
import { PlacementState } from './placement-state';

/** Directions of the keys: right, up. */
const keys: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};
/** A pointer that moves less chooses, px. */
const leastDragPx = 4;
/** What is nearer than this snaps, px on the screen. */
const snapPx = 9;

/** A wall from in front, to scale; what hangs on it is moved by pointer and keys, and the rules answer while it moves. */
@Component({
  selector: 'lv-elevation-view',
  imports: [DrawingExports, DrawingShapes],
  template: `
    @if (state.elevation(); as shown) {
      <div class="bar">
        <p class="small soft" role="status">{{ status() }}</p>
        <lv-drawing-exports
          [drawing]="shown.drawing"
          [name]="'wall ' + (state.wall()?.name ?? '')"
          [scale]="'1:' + shown.frame.scale"
        />
      </div>
      <div class="paper">
        <svg
          #sheet
          [attr.viewBox]="'0 0 ' + shown.drawing.widthMm + ' ' + shown.drawing.heightMm"
          role="group"
          [attr.aria-label]="
            'Wall ' + state.wall()?.name + ' from in front. Arrows move what is focused, with Shift farther.'
          "
        >
          <svg:g lvDrawing [drawing]="shown.drawing" />
          @for (spot of spots(); track spot.id) {
            <rect
              class="spot"
              tabindex="0"
              role="button"
              [attr.aria-label]="spot.label"
              [attr.aria-pressed]="spot.id === state.chosen()"
              [class.wrong]="spot.wrong"
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
      <p class="legend small">
        <span><i class="mark box" aria-hidden="true"></i> equipment</span>
        <span><i class="mark room" aria-hidden="true"></i> room its maker asks for, working space</span>
        <span
          ><i class="mark wrong" aria-hidden="true"></i> ! breaks a rule, by its number in the findings</span
        >
        <span><i class="mark stud" aria-hidden="true"></i> studs</span>
      </p>
    }
  `,
  styleUrl: './elevation-view.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ElevationView {
  protected readonly state = inject(PlacementState);
  private readonly destroyed = inject(DestroyRef);
  private readonly sheet = viewChild<ElementRef<SVGSVGElement>>('sheet');

  /** What can be taken hold of. */
  protected readonly spots = computed(() => {
    const shown = this.state.elevation();
    if (!shown) return [];
    const { perM, originX, originY } = shown.frame;
    const units = this.state.units();
    const findings = this.state.findings();
    return this.state.onWall().map(({ thing, leftM, bottomM, widthM, heightM }) => {
      const wrong = findings.filter(
        ({ about, severity }) => about === thing.id && severity !== 'consider',
      ).length;
      return {
        id: thing.id,
        wrong: wrong > 0,
        label: `${thing.name}, ${lengthText(leftM, units)} from the left, ${lengthText(bottomM, units)} up${wrong > 0 ? `, breaks ${wrong} rules` : ''}`,
        x: originX + leftM * perM,
        y: originY - (bottomM + heightM) * perM,
        width: widthM * perM,
        height: heightM * perM,
      };
    });
  });
  protected readonly status = computed(() => {
    const dragged = this.state.dragged();
    const units = this.state.units();
    if (dragged) {
      const at = `${lengthText(dragged.leftM, units)} from the left, ${lengthText(dragged.bottomM, units)} up`;
      return dragged.to === '' ? at : `${at}: ${dragged.to}`;
    }
    const count = this.state.onWall().length;
    return count === 0
      ? 'Nothing hangs here yet: put things here from the list, or let a place be looked for.'
      : 'Drag, or focus with Tab and use the arrows; what is chosen shows its distances.';
  });

  protected onKey(event: KeyboardEvent, id: string): void {
    const direction = keys[event.key];
    if (direction && !event.altKey && !event.ctrlKey && !event.metaKey) {
      const imperial = this.state.units() === 'imperial';
      const stepM = event.shiftKey ? (imperial ? 0.1016 : 0.1) : imperial ? 0.0127 : 0.01;
      this.state.move(id, direction[0] * stepM, direction[1] * stepM);
      this.state.chosen.set(id);
    } else if (event.key === 'Enter' || event.key === ' ') this.state.chosen.set(id);
    else if (event.key === 'Delete') this.state.takeDown([id]);
    else return;
    event.preventDefault();
  }

  /** A thing goes along with the pointer, snaps on the way, and stays where it is let go. */
  protected drag(start: PointerEvent, id: string): void {
    // A finger scrolls.
    const svg = this.sheet()?.nativeElement;
    const shown = this.state.elevation();
    if (start.button !== 0 || start.pointerType === 'touch' || !svg || !shown) return;
    const mPerPx = shown.drawing.widthMm / svg.getBoundingClientRect().width / shown.frame.perM;
    pointerDrag(start, leastDragPx)
      .pipe(takeUntilDestroyed(this.destroyed))
      .subscribe((step) => {
        if (step.at !== 'move') return this.drop(step.at === 'drop');
        const { right, down, event } = step.move;
        this.state.chosen.set(id);
        const withinM = event.altKey ? 0 : snapPx * mPerPx;
        this.state.dragged.set(this.state.snapped(id, right * mPerPx, -down * mPerPx, withinM));
      });
  }

  private drop(isKept: boolean): void {
    const dragged = this.state.dragged();
    this.state.dragged.set(null);
    if (!dragged || !isKept) return;
    const { to: _to, ...place } = dragged;
    this.state.put([place], 'moved on the wall');
  }
}
