import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { SelectButton } from 'primeng/selectbutton';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { MeterData } from '../../data/meter-data';
import type { Choice } from '../../ui/choice-field';
import { BillsCard } from './bills-card';
import { LiveCard } from './live-card';
import { MeterCard } from './meter-card';
import { OutagesCard } from './outages-card';
import { TariffsCard } from './tariffs/tariffs-card';
import { UsageEdits } from './usage-edits';

type Part = 'bills' | 'tariffs' | 'meter' | 'outages' | 'live';

/** What the house used, what the meter says, and what the grid did. */
@Component({
  selector: 'lv-usage-stage',
  imports: [BillsCard, FormsModule, LiveCard, MeterCard, OutagesCard, SelectButton, TariffsCard],
  providers: [MeterData, UsageEdits],
  template: `
    @if (plan(); as plan) {
      <div class="bench">
        <p-selectbutton
          ariaLabel="Part of the stage"
          optionLabel="label"
          optionValue="value"
          size="small"
          [allowEmpty]="false"
          [options]="parts"
          [ngModel]="part()"
          (ngModelChange)="part.set($event)"
        />
        @switch (part()) {
          @case ('bills') {
            <lv-bills-card [plan]="plan" [units]="units()" />
          }
          @case ('tariffs') {
            @defer {
              <lv-tariffs-card [plan]="plan" />
            }
          }
          @case ('meter') {
            @defer {
              <lv-meter-card [plan]="plan" [units]="units()" />
            }
          }
          @case ('outages') {
            @defer {
              <lv-outages-card [plan]="plan" />
            }
          }
          @case ('live') {
            @defer {
              <lv-live-card [plan]="plan" />
            }
          }
        }
      </div>
    }
  `,
  styles: `
    .bench {
      padding: 0.6rem 0.7rem;
      display: grid;
      gap: 0.6rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class UsageStage {
  protected readonly plan = inject(JobSession).plan;
  protected readonly units = inject(EvaluationService).units;
  protected readonly part = signal<Part>('bills');
  protected readonly parts: Choice<Part>[] = [
    { label: 'Bills', value: 'bills' },
    { label: 'Tariffs', value: 'tariffs' },
    { label: 'Meter data', value: 'meter' },
    { label: 'Outages', value: 'outages' },
    { label: 'Live', value: 'live' },
  ];
}
