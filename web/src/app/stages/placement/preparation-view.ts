import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { ListPaper } from '@levamen/core/api';
import { preparationList } from '@levamen/core/placement/details';
import { unparse } from 'papaparse';
import { Button } from 'primeng/button';
import { JobSession } from '../../data/job-session';
import { problemText } from '../../data/jobs-api';
import { downloadBlob, fileStem } from '../../ui/download';
import { PlacementState } from './placement-state';

const caution =
  'Derived from the placement, not verified: measure on the wall before the first hole. Local code and licensed people decide.';

/** What the crew prepares and brings. */
@Component({
  selector: 'lv-preparation-view',
  imports: [Button],
  template: `
    <div class="bar">
      <p class="small soft">{{ caution }}</p>
      <p-button
        label="PDF"
        icon="pi pi-download"
        size="small"
        [text]="true"
        ariaLabel="List as PDF"
        [disabled]="lines().length === 0"
        (onClick)="pdf()"
      />
      <p-button
        label="CSV"
        icon="pi pi-download"
        size="small"
        [text]="true"
        ariaLabel="List as CSV"
        [disabled]="lines().length === 0"
        (onClick)="csv()"
      />
    </div>
    @if (problem() !== '') {
      <p class="problem" role="alert">{{ problem() }}</p>
    }
    <div class="scroll" tabindex="0" role="region" aria-label="List for the crew">
      <table class="ruled by-row small">
        <thead>
          <tr>
            <th scope="col">Wall</th>
            <th scope="col">To prepare or bring</th>
            <th scope="col">Because</th>
          </tr>
        </thead>
        <tbody>
          @for (line of lines(); track line.id) {
            <tr>
              <td>{{ line.wall === '' ? 'all' : line.wall }}</td>
              <th scope="row">{{ line.what }}</th>
              <td class="soft">{{ line.why }}</td>
            </tr>
          } @empty {
            <tr>
              <td colspan="3" class="soft">
                Nothing is placed yet: the list follows from where things hang.
              </td>
            </tr>
          }
        </tbody>
      </table>
    </div>
  `,
  styles: `
    .bar {
      display: flex;
      align-items: center;
      gap: 0.4rem;
    }
    .bar p {
      flex: 1;
    }
    .scroll {
      overflow-x: auto;
    }
    tbody th {
      color: var(--ink);
      font-weight: 500;
    }
    .problem {
      color: var(--fails);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PreparationView {
  private readonly state = inject(PlacementState);
  private readonly session = inject(JobSession);
  private readonly http = inject(HttpClient);

  protected readonly caution = caution;
  protected readonly problem = signal('');
  protected readonly lines = computed(() => {
    const plan = this.state.plan();
    return plan ? preparationList(plan, this.state.placed()) : [];
  });
  private readonly title = computed(() => `${this.session.job()?.name ?? 'Job'}, list for the crew`);
  private readonly cells = computed(() =>
    this.lines().map(({ wall, what, why }) => [wall === '' ? 'all' : wall, what, why]),
  );
  private readonly head = ['Wall', 'To prepare or bring', 'Because'];

  protected csv(): void {
    const text = unparse({ fields: this.head, data: this.cells() }, { escapeFormulae: true });
    downloadBlob(new Blob([text], { type: 'text/csv' }), `${fileStem(this.title())}.csv`);
  }

  protected pdf(): void {
    const body: ListPaper = {
      title: this.title().slice(0, 160),
      head: this.head,
      rows: this.cells(),
      note: caution,
    };
    this.http.post('/api/papers/list', body, { responseType: 'blob' }).subscribe({
      next: (sheet) => {
        this.problem.set('');
        downloadBlob(sheet, `${fileStem(this.title())}.pdf`);
      },
      error: (error: unknown) => this.problem.set(problemText(error)),
    });
  }
}
