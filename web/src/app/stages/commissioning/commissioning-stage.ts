import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { commissioningRecord } from '@levamen/core/commissioning';
import { unparse } from 'papaparse';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import { JobSession } from '../../data/job-session';
import { downloadBlob, downloadJson, fileStem } from '../../ui/download';
import { CommissioningLists } from './lists-card';
import { CommissioningState } from './commissioning-state';
import { SignOffCard } from './sign-off-card';
import { OutageCard } from './outage-card';
import { StepCard } from './step-card';
import { StagedOutage } from './staged-outage';
import { StepList } from './step-list';
import { SystemCard } from './system-card';
import { SystemState } from './system-state';
import { TrainingCard } from './training-card';

/** The design is put into service, step by step: each reading beside what the design predicts. */
@Component({
  selector: 'lv-commissioning-stage',
  imports: [
    Button,
    CommissioningLists,
    FormsModule,
    OutageCard,
    SelectButton,
    SignOffCard,
    StepCard,
    StepList,
    SystemCard,
    TrainingCard,
  ],
  providers: [CommissioningState, SystemState, StagedOutage],
  templateUrl: './commissioning-stage.html',
  styleUrls: ['../work-and-side.css', './commissioning-stage.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CommissioningStage {
  protected readonly state = inject(CommissioningState);
  private readonly session = inject(JobSession);

  protected readonly parts = [
    { value: 'steps', label: 'Steps' },
    { value: 'system', label: 'System and staged outage' },
    { value: 'training', label: 'Training' },
  ] as const;
  protected readonly part = signal<'steps' | 'system' | 'training'>('steps');

  protected readonly says = computed(() => {
    const stand = this.state.stand();
    if (!stand) return '';
    const { right, off, open, steps } = stand;
    return `${right} of ${steps.length} steps are right, ${off} off, ${open} open.`;
  });

  protected readonly stopped = computed(() =>
    (this.state.stand()?.stopped ?? []).map(({ step }) => ({
      id: step.id,
      title: step.title,
      makeSafe: step.makeSafe,
    })),
  );

  protected takeCsv(): void {
    const record = this.taken();
    if (!record) return;
    // Cells that a spreadsheet would take for a formula are kept as text.
    const text = unparse([...record.steps], { escapeFormulae: true });
    downloadBlob(new Blob([`\ufeff${text}\r\n`], { type: 'text/csv' }), `${this.stem()}-commissioning.csv`);
  }

  protected takeJson(): void {
    const record = this.taken();
    if (record) downloadJson(record, `${this.stem()}-commissioning.json`);
  }

  private taken() {
    const stand = this.state.stand();
    const job = this.session.job();
    return stand && job && commissioningRecord(job.name, stand, this.state.record(), job.photos);
  }

  private stem(): string {
    return fileStem(this.session.job()?.name ?? 'job');
  }
}
