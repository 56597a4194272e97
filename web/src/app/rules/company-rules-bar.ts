import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { CompanyRules } from '@levamen/core/api';
import type { Rule } from '@levamen/core/rules';
import { companyDifference, withRules } from '@levamen/core/rules/packs';
import { Button } from 'primeng/button';
import { catchError, map, merge, of, retry, type Observable, Subject, switchMap } from 'rxjs';
import { JobsApi, problemText } from '../data/jobs-api';

interface Known {
  readonly rules: CompanyRules | null;
  readonly problem: string;
}

/** The rules the company keeps for every job that begins, beside those of this one: taken from there, or kept there. */
@Component({
  selector: 'lv-company-rules-bar',
  imports: [Button],
  template: `
    @if (kept(); as kept) {
      <p class="small" data-company-rules>
        {{ words() }}
        @if (difference().toTake.length > 0) {
          <p-button
            size="small"
            [text]="true"
            icon="pi pi-arrow-down"
            [label]="'Take ' + difference().toTake.length + ' of the company'"
            (onClick)="taken.emit(difference().toTake)"
          />
        }
        @if (difference().toKeep.length > 0) {
          <p-button
            size="small"
            [text]="true"
            icon="pi pi-arrow-up"
            [label]="'Keep ' + difference().toKeep.length + ' for every new job'"
            (onClick)="keep(kept, difference().toKeep)"
          />
        }
      </p>
    }
    @if (known()?.problem; as problem) {
      <p class="problem small" role="alert">{{ problem }}</p>
    }
  `,
  styles: `
    p {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.15rem 0.5rem;
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CompanyRulesBar {
  private readonly api = inject(JobsApi);
  readonly rules = input.required<readonly Rule[]>();
  readonly taken = output<readonly Rule[]>();

  private readonly changes = new Subject<Observable<CompanyRules>>();
  protected readonly known = toSignal(
    merge(
      this.api.companyRules().pipe(
        retry({ delay: 2000, count: 5 }),
        map((rules): Known => ({ rules, problem: '' })),
        // Without a server a job is judged by its own rules all the same.
        catchError(() => of<Known>({ rules: null, problem: '' })),
      ),
      this.changes.pipe(
        switchMap((change) =>
          change.pipe(
            map((rules): Known => ({ rules, problem: '' })),
            catchError((error: unknown) => this.afterFailure(problemText(error))),
          ),
        ),
      ),
    ),
  );
  protected readonly kept = computed(() => this.known()?.rules ?? null);
  protected readonly difference = computed(() => companyDifference(this.rules(), this.kept()?.rules ?? []));
  protected readonly words = computed(() => {
    const count = this.kept()?.rules.length ?? 0;
    if (count === 0) return 'The company keeps no rules of its own yet.';
    const { toTake } = this.difference();
    const here = toTake.length === 0 ? 'all of them are in this job' : `${toTake.length} differ here`;
    return `The company keeps ${count === 1 ? 'one rule' : `${count} rules`} for every new job; ${here}.`;
  });

  protected keep({ revision, rules }: CompanyRules, own: readonly Rule[]): void {
    this.changes.next(
      this.api.keepRules({
        baseRevision: revision,
        said: own.length === 1 ? `rule “${own[0]!.name}” kept`.slice(0, 200) : `${own.length} rules kept`,
        rules: withRules(rules, own),
      }),
    );
  }

  /** What is there now is shown beside what went wrong: nothing is overwritten unseen. */
  private afterFailure(problem: string): Observable<Known> {
    return this.api.companyRules().pipe(
      map((rules): Known => ({ rules, problem })),
      catchError(() => of<Known>({ rules: this.kept(), problem })),
    );
  }
}
