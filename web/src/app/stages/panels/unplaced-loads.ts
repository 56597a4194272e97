import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { Circuit, Load } from '@levamen/core/house';
import { Button } from 'primeng/button';
import { PanelEdits } from './panel-edits';

/** Loads that hang on no circuit yet. */
@Component({
  selector: 'lv-unplaced-loads',
  imports: [Button],
  template: `
    <h4>Not placed yet: {{ loads().length }}</h4>
    <ul>
      @for (load of loads(); track load.id) {
        <li>
          {{ load.name }}
          @if (circuit(); as circuit) {
            <p-button
              label="Put here"
              size="small"
              [text]="true"
              [ariaLabel]="'Put ' + load.name + ' on ' + circuit.name"
              (onClick)="edits.place(load.id, circuit.id)"
            />
          }
        </li>
      }
    </ul>
  `,
  styleUrl: './detail.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class UnplacedLoads {
  protected readonly edits = inject(PanelEdits);
  readonly loads = input.required<readonly Load[]>();
  /** The circuit they can be put on. */
  readonly circuit = input.required<Circuit | null>();
}
