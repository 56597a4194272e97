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
    <h3>Sensors</h3>
    <div class="pair">
      <lv-form-field [of]="form" name="monitorScope" />
      <lv-form-field [of]="form" name="monitorChannels" />
    </div>
    <p>
      <b class="figure">{{ sensors().sensors }}</b> current sensors
      <span class="soft small">{{ classes() }}</span>
    </p>
    @if (monitors() !== '') {
      <p>
        {{ monitors() }}
        @if (sensors().groups.length > 1) {
          <span class="soft small"
            >A monitor reads its voltage in one place; behind a point of isolation inside the house it is
            another one while islanded.</span
          >
        }
      </p>
    }
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
    (change, label) => this.edits.setMonitor(change, label),
  );
  protected readonly sensors = computed(() => sensorPlan(this.plan()));
  protected readonly classes = computed(() =>
    this.sensors()
      .byClass.map(({ classA, count }) => `${count} of ${classA === null ? 'unknown size' : `${classA} A`}`)
      .join(', '),
  );
  protected readonly monitors = computed(() => {
    const { monitors, groups } = this.sensors();
    if (monitors === null) return '';
    const each = groups.map((group) => `${group.where}: ${group.monitors} for ${group.sensors} sensors`);
    return `${monitors} ${monitors === 1 ? 'monitor' : 'monitors'}. ${each.join('; ')}.`;
  });
  protected readonly circuitChoices = computed(() => circuitChoices(this.plan().survey, 'not known'));
}
