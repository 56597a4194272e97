import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { dashMm, type Drawing, type DrawingItem, textsLast } from '@levamen/core/wiring';

/** How an item of a drawing looks: classes beside its layer, and dashes where it has none of its own; ''. */
export interface DrawingLook {
  readonly classes: string;
  readonly dash: string;
}

const plain: DrawingLook = { classes: '', dash: '' };

/** What stands on a drawing, as the inside of an SVG in its millimetres; looks come from the layers. */
@Component({
  // eslint-disable-next-line @angular-eslint/component-selector -- a part of a picture is an element of that picture
  selector: 'svg:g[lvDrawing]',
  template: `
    @for (shape of shapes(); track $index) {
      @switch (shape.item.kind) {
        @case ('line') {
          <svg:polyline
            [class]="shape.classes"
            [attr.points]="shape.points"
            [attr.stroke-width]="shape.item.widthMm"
            [attr.stroke-dasharray]="shape.dash"
          />
        }
        @case ('circle') {
          <svg:circle
            [class]="shape.classes"
            [class.filled]="shape.item.filled"
            [attr.cx]="shape.item.centre[0]"
            [attr.cy]="shape.item.centre[1]"
            [attr.r]="shape.item.radiusMm"
            stroke-width="0.5"
          />
        }
        @case ('text') {
          <svg:text
            [class]="shape.classes"
            [attr.x]="shape.item.at[0]"
            [attr.y]="shape.item.at[1]"
            [attr.font-size]="shape.item.heightMm"
            [attr.text-anchor]="shape.item.anchor"
          >
            {{ shape.item.text }}
          </svg:text>
        }
      }
    }
  `,
  styleUrl: './drawing-shapes.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DrawingShapes {
  readonly drawing = input.required<Drawing>();
  /** How an item looks beyond what its layer says. */
  readonly lookOf = input<(item: DrawingItem) => DrawingLook>(() => plain);

  protected readonly shapes = computed(() => {
    const lookOf = this.lookOf();
    return textsLast(this.drawing().items).map((item) => {
      const { classes, dash } = lookOf(item);
      return {
        item,
        classes: `${item.layer} ${classes}`,
        dash: item.kind === 'line' && item.dashed ? dashMm(item) : dash,
        points:
          item.kind === 'line'
            ? [...item.points, ...(item.closed ? item.points.slice(0, 1) : [])]
                .map((at) => at.join(','))
                .join(' ')
            : '',
      };
    });
  });
}
