import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import { chooseFor, takeMeasured } from '@levamen/core/design';
import type { StackPart } from '@levamen/core/equipment';
import { learnedBattery } from '@levamen/core/papers';
import { Button } from 'primeng/button';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { learnedHouses } from '../../data/learned-houses';

/** What other houses of the company measured of the same kinds of units, offered to a design that counts by data sheets. */
@Component({
  selector: 'lv-learned-battery',
  imports: [Button],
  template: `
    @if (offer(); as now) {
      <p class="small" data-learned>
        {{ now }}
        <p-button label="Count with it" size="small" [text]="true" (onClick)="take()" />
      </p>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LearnedBatteryOffer {
  readonly parts = input.required<readonly StackPart[]>();
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly houses = learnedHouses();
  private readonly learned = computed(() => learnedBattery(this.houses(), this.session.id(), this.parts()));
  protected readonly offer = computed(() => {
    const learned = this.learned();
    if (!learned) return '';
    const { houses, measured } = learned;
    return `${houses === 1 ? 'One house' : `${houses} houses`} of the company measured these units: they hold ${quantityText(measured.usableTimes, 'share')} of what their data sheets say.`;
  });

  protected take(): void {
    const learned = this.learned();
    const island = this.evaluations.island();
    if (!learned || !island) return;
    const parts = this.parts();
    const measured = { ...learned.measured, at: new Date().toISOString() };
    this.session.edit('as houses of the company measured it', (plan) =>
      takeMeasured(chooseFor(plan, island, parts), island.id, measured),
    );
  }
}
