import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { type RecurringDate, recurringDateSchema } from '@levamen/core/house';
import { doneOn, usualDates } from '@levamen/core/logbook';
import { Button } from 'primeng/button';
import { JobSession } from '../../data/job-session';
import { EntryList } from '../../ui/entry-list';
import { formsOf } from '../../ui/forms-of';
import { LogbookState } from './logbook-state';

/** What is due of the house, and what comes back. */
@Component({
  selector: 'lv-due-card',
  imports: [Button, EntryList],
  template: `
    <section class="sheet" aria-labelledby="due-heading">
      <h3 id="due-heading">Due</h3>
      <ul class="plain small" data-due>
        @for (one of due(); track one.id + one.kind) {
          <li [class.late]="one.isLate">
            <span class="figure">{{ one.on }}</span>
            <span>
              @if (one.isLate) {
                <strong>Overdue:</strong>
              }
              {{ one.text }}</span
            >
            @if (one.kind === 'date') {
              <p-button
                label="Done today"
                size="small"
                [text]="true"
                [ariaLabel]="'Done today: ' + one.text"
                (onClick)="done(one.id)"
              />
            }
          </li>
        } @empty {
          <li class="soft">Nothing is due.</li>
        }
      </ul>
      @if (more() > 0) {
        <p class="small soft">{{ more() }} more later.</p>
      }
      <lv-entry-list
        addLabel="A date"
        [rows]="rows()"
        [names]="names"
        (added)="add()"
        (removed)="state.drop('dates', $event)"
      />
      @if (mayAddUsual()) {
        <p-button
          label="Add the usual dates"
          icon="pi pi-calendar-plus"
          size="small"
          [text]="true"
          (onClick)="addUsual()"
        />
      }
    </section>
  `,
  styleUrl: './cards.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DueCard {
  protected readonly state = inject(LogbookState);
  private readonly session = inject(JobSession);
  protected readonly names = ['kind', 'text', 'everyMonths', 'dueOn'] as const;
  private readonly shown = 6;

  protected readonly due = computed(() => {
    const today = this.state.today();
    return this.state
      .due()
      .slice(0, this.shown)
      .map((one) => ({ ...one, isLate: one.on < today }));
  });
  protected readonly more = computed(() => Math.max(0, this.state.due().length - this.shown));

  private readonly forms = formsOf<RecurringDate>(
    recurringDateSchema.shape,
    computed(() => this.state.logbook().dates),
    (edit, label) => this.state.change(`date: ${label}`, ({ dates }) => ({ dates: edit(dates) })),
  );
  protected readonly rows = computed(() =>
    this.forms().map(({ id, value, form }) => ({
      id,
      form,
      label: value().text,
      isDone: value().dueOn === null,
    })),
  );

  private readonly usual = computed(() => {
    const plan = this.session.plan();
    return plan ? usualDates(plan, this.state.today()) : [];
  });
  protected readonly mayAddUsual = computed(() => this.usual().length > 0);

  protected addUsual(): void {
    const usual = this.usual();
    this.state.change('usual dates', ({ dates }) => {
      const ids = new Set(dates.map(({ id }) => id));
      return {
        dates: [
          ...dates,
          ...usual.map((one) => (ids.has(one.id) ? { ...one, id: crypto.randomUUID() } : one)),
        ],
      };
    });
  }

  protected add(): void {
    this.state.change('date', ({ dates }) => ({
      dates: [
        ...dates,
        {
          id: crypto.randomUUID(),
          kind: 'other' as const,
          text: 'Something to look at',
          everyMonths: 12,
          dueOn: this.state.today(),
          doneOn: [],
        },
      ],
    }));
  }

  /** Done, and written down as a visit. */
  protected done(id: string): void {
    const today = this.state.today();
    this.state.change('done', ({ dates, visits }) => {
      const date = dates.find((one) => one.id === id);
      if (!date) return {};
      const { kind, text } = date;
      return {
        dates: dates.map((one) => (one.id === id ? doneOn(one, today) : one)),
        visits: [
          ...visits,
          { id: crypto.randomUUID(), on: today, by: this.state.who(), kind, text, changes: [] },
        ],
      };
    });
  }
}
