import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { OrderFormat } from '@levamen/core/api';
import { Button } from 'primeng/button';
import { lastValueFrom, tap } from 'rxjs';
import { JobSession } from '../../data/job-session';
import { problemText } from '../../data/jobs-api';
import { PapersApi } from '../../data/papers-api';
import { downloadBlob, fileStem } from '../../ui/download';
import { makePaper } from './made-paper';
import { kindWords } from './paper-words';
import { PapersState } from './papers-state';

interface Way {
  readonly format: OrderFormat;
  readonly label: string;
  readonly ending: string;
}

const ways: Readonly<Record<Exclude<OrderFormat, 'pdf'>, Way>> = {
  xlsx: { format: 'xlsx', label: 'XLSX', ending: 'xlsx' },
  csv: { format: 'csv', label: 'CSV', ending: 'csv' },
  svg: { format: 'svg', label: 'SVG', ending: 'zip' },
  zip: { format: 'zip', label: 'Everything, ZIP', ending: 'zip' },
};

/** The draft, and everything together, as files. */
@Component({
  selector: 'lv-take-away',
  imports: [Button],
  template: `
    <div class="row" role="group" aria-label="As files">
      <p-button
        label="Draft, PDF"
        icon="pi pi-download"
        size="small"
        [text]="true"
        [disabled]="state.draft().file === null"
        (onClick)="draft()"
      />
      @for (way of offered(); track way.format) {
        <p-button
          icon="pi pi-download"
          size="small"
          [label]="way.label"
          [text]="true"
          [disabled]="busy() !== ''"
          (onClick)="take(way)"
        />
      }
      @if (busy() !== '') {
        <span class="small soft" role="status">{{ busy() }}…</span>
      }
      @if (problem() !== '') {
        <span class="problem small" role="alert">{{ problem() }}</span>
      }
    </div>
  `,
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.1rem 0.4rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TakeAway {
  protected readonly state = inject(PapersState);
  private readonly session = inject(JobSession);
  private readonly api = inject(PapersApi);
  protected readonly busy = signal('');
  protected readonly problem = signal('');
  protected readonly offered = computed((): readonly Way[] => {
    const kind = this.state.kind();
    return [
      ...(kind === 'parts' ? [ways.xlsx, ways.csv] : []),
      ...(kind === 'labels' ? [ways.svg] : []),
      ways.zip,
    ];
  });

  protected draft(): void {
    const { file } = this.state.draft();
    if (file) downloadBlob(file, `${this.stem(kindWords[this.state.kind()].name)}-draft.pdf`);
  }

  protected async take({ format, ending }: Way): Promise<void> {
    this.problem.set('');
    this.busy.set('Saving');
    try {
      if (!(await this.session.saveNow())) {
        this.problem.set('The job is not saved yet.');
        return;
      }
      const made = await lastValueFrom(
        makePaper(this.api, this.session.id(), {
          request: this.state.request(),
          format,
          issue: null,
          jobRevision: this.session.revision(),
        }).pipe(tap(({ order }) => this.busy.set(order.says || 'Waiting'))),
      );
      if (made.file)
        downloadBlob(
          made.file,
          `${this.stem(format === 'zip' ? 'papers' : kindWords[this.state.kind()].name)}.${ending}`,
        );
      else this.problem.set(made.order.says);
    } catch (error) {
      this.problem.set(problemText(error));
    } finally {
      this.busy.set('');
    }
  }

  private stem(what: string): string {
    return `${fileStem(this.session.job()?.name ?? 'job')}-${fileStem(what)}`;
  }
}
