import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { dashMm, type Drawing } from '@levamen/core/wiring';

/** What stands on a drawing, as the inside of an SVG in its millimetres; looks come from the layers. */
@Component({
  // eslint-disable-next-line @angular-eslint/component-selector -- a part of a picture is an element of that picture
  selector: 'svg:g[lvDrawing]',
  template: `
    @for (shape of shapes(); track $index) {
      @switch (shape.item.kind) {
        @case ('line') {
          <svg:polyline
            [attr.class]="shape.item.layer"
            [attr.points]="shape.points"
            [attr.stroke-width]="shape.item.widthMm"
            [attr.stroke-dasharray]="shape.item.dashed ? dashMm(shape.item) : null"
          />
        }
        @case ('circle') {
          <svg:circle
            [attr.class]="shape.item.layer"
            [class.filled]="shape.item.filled"
            [attr.cx]="shape.item.centre[0]"
            [attr.cy]="shape.item.centre[1]"
            [attr.r]="shape.item.radiusMm"
            stroke-width="0.5"
          />
        }
        @case ('text') {
          <svg:text
            [attr.class]="shape.item.layer"
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
  styles: `
    polyline,
    circle {
      fill: none;
      stroke: var(--ink);
    }
    circle.filled {
      fill: var(--ink);
    }
    text {
      fill: var(--ink);
      white-space: pre;
    }
    .structure {
      stroke: var(--rule-strong);
    }
    .openings {
      stroke: var(--ink-soft);
    }
    .clearances {
      stroke: var(--accent);
    }
    .dimensions {
      stroke: var(--ink-soft);
    }
    text.dimensions {
      stroke: none;
      fill: var(--ink-soft);
    }
    .findings {
      stroke: var(--fails);
    }
    text.findings {
      stroke: none;
      fill: var(--fails);
      font-weight: 700;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DrawingShapes {
  readonly drawing = input.required<Drawing>();
  protected readonly dashMm = dashMm;
  protected readonly shapes = computed(() =>
    this.drawing().items.map((item) => ({
      item,
      points:
        item.kind === 'line'
          ? [...item.points, ...(item.closed ? item.points.slice(0, 1) : [])]
              .map((at) => at.join(','))
              .join(' ')
          : '',
    })),
  );
}
