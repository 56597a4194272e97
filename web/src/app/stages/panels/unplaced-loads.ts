import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Circuit, Load, Survey } from '@levamen/core/house';
import { circuitsByName } from '@levamen/core/house/details';
import { Button } from 'primeng/button';
import { PanelEdits } from './panel-edits';

/** Loads that hang on no circuit yet. */
@Component({
  selector: 'lv-unplaced-loads',
  imports: [Button],
  template: `
    <h4>Not placed yet: {{ loads().length }}</h4>
    @if (named().size > 0) {
      <p-button
        size="small"
        [label]="'Put ' + named().size + ' on circuits of their name'"
        (onClick)="edits.placeAll(named())"
      />
    }
    <p-button
      size="small"
      [outlined]="true"
      label="A circuit for each of them"
      (onClick)="edits.makeCircuits()"
    />
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
  readonly survey = input.required<Survey>();
  readonly loads = input.required<readonly Load[]>();
  /** The circuit they can be put on. */
  readonly circuit = input.required<Circuit | null>();
  /** Loads whose names say where they hang. */
  protected readonly named = computed(() => circuitsByName(this.survey(), this.loads()));
}
