import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { itemChanges } from '@levamen/core/equipment/details';
import { catchError, of, switchMap } from 'rxjs';
import { JobsApi } from '../data/jobs-api';

/** Who changed an item when, and what. */
@Component({
  selector: 'lv-item-history',
  imports: [DatePipe],
  template: `
    <ol>
      @for (step of steps(); track step.revision) {
        <li>
          <b>{{ step.changedAt | date: 'd MMM y, HH:mm' }}</b>
          <span class="small soft">
            revision {{ step.revision }}{{ step.actor === '' ? '' : ', ' + step.actor }}</span
          >
          @if (step.what !== '') {
            <p class="small">{{ step.what }}</p>
          }
          @for (change of step.changes; track change.label) {
            <p class="small">
              {{ change.label }}: {{ change.before || 'nothing' }} → {{ change.after || 'nothing' }}
            </p>
          }
        </li>
      } @empty {
        <li class="small soft">Not saved yet.</li>
      }
    </ol>
  `,
  styles: `
    ol {
      list-style: none;
    }
    li {
      border-block-end: 1px solid var(--rule);
      padding: 0.35rem 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ItemHistoryList {
  private readonly api = inject(JobsApi);
  readonly itemId = input.required<string>();
  /** Revision of the list that is looked at: a newer one has more to tell. */
  readonly revision = input.required<number>();

  private readonly asked = computed(() => ({ itemId: this.itemId(), revision: this.revision() }));
  private readonly history = toSignal(
    toObservable(this.asked).pipe(
      switchMap(({ itemId }) => this.api.itemHistory(itemId).pipe(catchError(() => of([])))),
    ),
    { initialValue: [] },
  );
  protected readonly steps = computed(() =>
    this.history().map((step, index, all) => {
      const before = all[index + 1]?.item ?? null;
      const what = step.item === null ? 'Taken out' : before === null ? 'Entered' : '';
      return {
        revision: step.revision,
        actor: step.actor,
        changedAt: step.changedAt,
        what,
        changes: step.item && before?.kind === step.item.kind ? itemChanges(before, step.item) : [],
      };
    }),
  );
}
