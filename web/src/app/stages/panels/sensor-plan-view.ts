import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { type Survey, surveySchema } from '@levamen/core/house';
import { sensorPlan } from '@levamen/core/study/details';
import type { Plan } from '@levamen/core/design';
import { circuitChoices } from '../../ui/circuit-choices';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { PanelEdits } from './panel-edits';

/** How many current sensors measure every circuit, and where they go. */
@Component({
  selector: 'lv-sensor-plan-view',
  imports: [FormField],
  template: `
    <h3>Sensors for every circuit</h3>
    <p>
      <b class="figure">{{ sensors().sensors }}</b> current sensors
      <span class="soft small">{{ classes() }}</span>
    </p>
    <lv-form-field [of]="form" name="monitorCircuitId" [choices]="circuitChoices()" />
    <p class="small" [class.warn]="sensors().monitor !== 'stays-on'">
      <i
        [class]="sensors().monitor === 'stays-on' ? 'pi pi-check-circle' : 'pi pi-exclamation-triangle'"
        aria-hidden="true"
      ></i>
      {{ sensors().monitorText }}
    </p>
    <table class="ruled small">
      <thead>
        <tr>
          <th scope="col">Where</th>
          <th scope="col" class="number">Pieces</th>
          <th scope="col" class="number">Class</th>
        </tr>
      </thead>
      <tbody>
        @for (point of sensors().points; track point.where) {
          <tr>
            <td>
              {{ point.where }}
              @if (point.directionMatters) {
                <b title="Which way round it sits matters">⇄ direction</b>
              }
              <span class="soft">{{ point.why }}</span>
            </td>
            <td class="number figure">{{ point.count }}</td>
            <td class="number figure">{{ point.classA === null ? '?' : point.classA + ' A' }}</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styleUrl: './detail.css',
  styles: `
    .warn {
      color: var(--tight);
      font-weight: 600;
    }
    td .soft {
      display: block;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SensorPlanView {
  private readonly edits = inject(PanelEdits);
  readonly plan = input.required<Plan>();
  protected readonly form = formOf<Survey>(
    surveySchema.shape,
    computed(() => this.plan().survey),
    ({ monitorCircuitId }) => {
      if (monitorCircuitId !== undefined) this.edits.setMonitor(monitorCircuitId);
    },
  );
  protected readonly sensors = computed(() => sensorPlan(this.plan()));
  protected readonly classes = computed(() =>
    this.sensors()
      .byClass.map(({ classA, count }) => `${count} of ${classA === null ? 'unknown size' : `${classA} A`}`)
      .join(', '),
  );
  protected readonly circuitChoices = computed(() => circuitChoices(this.plan().survey, 'not known'));
}
