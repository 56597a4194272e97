import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { Figure, UnitSystem } from '@levamen/core/base';
import { Working } from '../shell/working';
import { Quantity } from './quantity';

/** A figure that answers "where does this number come from?" in one click. */
@Component({
  selector: 'lv-figure-button',
  imports: [Quantity],
  template: `
    <button type="button" (click)="working.openFigure(figure())">
      <lv-quantity [value]="figure().value" [unit]="figure().unit" [system]="system()" />
      <span class="visually-hidden">{{ figure().label }}: show the working</span>
    </button>
  `,
  styles: `
    button {
      border: 0;
      border-bottom: 1.5px dotted var(--accent);
      background: none;
      padding: 0 0.1rem;
      cursor: pointer;
    }
    button:hover {
      background: var(--accent-wash);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FigureButton {
  readonly figure = input.required<Figure>();
  readonly system = input<UnitSystem>('metric');
  protected readonly working = inject(Working);
}
