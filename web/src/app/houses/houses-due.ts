import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { DueKind } from '@levamen/core/logbook';
import { catchError, of } from 'rxjs';
import { localDay } from '../ui/local-day';
import { HousesApi } from './houses-api';

/** Looked ahead so far; everything overdue stands before it. */
const aheadDays = 366;

const kinds: readonly { readonly value: DueKind | 'all'; readonly label: string }[] = [
  { value: 'all', label: 'everything' },
  { value: 'warranty', label: 'warranties' },
  { value: 'date', label: 'what comes back' },
  { value: 'left-to-do', label: 'what was left to do' },
];

/** What is due at all houses within a year. */
@Component({
  selector: 'lv-houses-due',
  imports: [RouterLink],
  template: `
    <section class="sheet" aria-labelledby="due-heading">
      <div class="bar">
        <h2 id="due-heading">Due within a year</h2>
        <div class="kinds" role="group" aria-label="What is shown">
          @for (one of kinds; track one.value) {
            <button type="button" [attr.aria-pressed]="kind() === one.value" (click)="kind.set(one.value)">
              {{ one.label }}
            </button>
          }
        </div>
      </div>
      @if (rows(); as list) {
        @if (list.length > 0) {
          <table class="ruled">
            <thead>
              <tr>
                <th scope="col">On</th>
                <th scope="col">What</th>
                <th scope="col">House</th>
              </tr>
            </thead>
            <tbody>
              @for (row of list; track row.key) {
                <tr>
                  <td class="when" [class.late]="row.isLate">
                    @if (row.isLate) {
                      <i class="pi pi-exclamation-triangle" aria-hidden="true"></i> overdue since
                    }
                    <span class="figure">{{ row.on }}</span>
                  </td>
                  <td>{{ row.text }}</td>
                  <td>
                    <a [routerLink]="['/jobs', row.jobId, 'logbook']">{{ row.name }}</a>
                  </td>
                </tr>
              }
            </tbody>
          </table>
        } @else {
          <p>Nothing of this kind is due.</p>
        }
      } @else {
        <p class="soft">The server has not said yet what is due.</p>
      }
    </section>
  `,
  styles: `
    .sheet {
      display: grid;
      gap: 0.6rem;
      padding: 1rem 1.1rem;
    }
    .bar {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.4rem 1rem;
    }
    .bar h2 {
      flex: 1;
    }
    .kinds {
      display: flex;
      flex-wrap: wrap;
      gap: 0.2rem;
    }
    .kinds button {
      border: 1px solid var(--rule-strong);
      background: none;
      padding: 0.2rem 0.6rem;
      font-size: 0.87rem;
      cursor: pointer;
    }
    .kinds button[aria-pressed='true'] {
      background: var(--accent-wash);
      font-weight: 600;
    }
    .when {
      white-space: nowrap;
    }
    .late {
      color: var(--fails);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HousesDue {
  protected readonly kinds = kinds;
  protected readonly kind = signal<DueKind | 'all'>('all');
  private readonly today = localDay(new Date());
  private readonly found = toSignal(
    inject(HousesApi)
      .due(localDay(new Date(Date.now() + aheadDays * 86_400_000)))
      .pipe(
        catchError(() => of(null)),
        takeUntilDestroyed(),
      ),
  );
  protected readonly rows = computed(() => {
    const kind = this.kind();
    return this.found()
      ?.filter((one) => kind === 'all' || one.kind === kind)
      .map((one, index) => ({ ...one, key: index, isLate: one.on < this.today }));
  });
}
