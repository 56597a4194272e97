import { CdkDrag, type CdkDragEnd } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Circuit, Load, Panel, Survey } from '@levamen/core/house';
import { breakersIn, circuitsByName } from '@levamen/core/house/details';
import { Button } from 'primeng/button';
import { dropSpace } from './drop-space';
import { PanelEdits } from './panel-edits';

/** Loads that hang on no circuit yet. */
@Component({
  selector: 'lv-unplaced-loads',
  imports: [Button, CdkDrag],
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
    <p class="small soft">Drag a load onto its breaker, or choose the breaker and put it there.</p>
    <ul>
      @for (load of loads(); track load.id) {
        <li cdkDrag [cdkDragStartDelay]="{ touch: 250, mouse: 0 }" (cdkDragEnded)="onDropped($event, load)">
          <span><i class="pi pi-bars grip" aria-hidden="true"></i> {{ load.name }}</span>
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
  styles: `
    li {
      cursor: grab;
      background: var(--sheet);
    }
    .grip {
      color: var(--ink-soft);
      font-size: 0.8rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class UnplacedLoads {
  protected readonly edits = inject(PanelEdits);
  readonly survey = input.required<Survey>();
  readonly loads = input.required<readonly Load[]>();
  /** The panel whose ladder is shown. */
  readonly panel = input.required<Panel>();
  /** The circuit they can be put on. */
  readonly circuit = input.required<Circuit | null>();
  /** Loads whose names say where they hang. */
  protected readonly named = computed(() => circuitsByName(this.survey(), this.loads()));

  protected onDropped(event: CdkDragEnd, load: Load): void {
    const space = dropSpace(event);
    const circuit = space === null ? undefined : breakersIn(this.panel(), space)[0];
    if (circuit?.use === 'circuit') this.edits.place(load.id, circuit.id);
  }
}
