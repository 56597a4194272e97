import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { type LoggedChange, loggedChangeSchema, type Visit, visitSchema } from '@levamen/core/house';
import { Button } from 'primeng/button';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { formsOf } from '../../ui/forms-of';
import { LogbookState } from './logbook-state';

const nameOfKind: Readonly<Record<Visit['kind'], string>> = {
  'test-outage': 'yearly test outage',
  exercise: 'generator was run',
  service: 'service',
  fault: 'a fault',
  update: 'update from afar',
  other: 'something else',
};

/** One visit with what was changed at it. */
@Component({
  selector: 'lv-visit-entry',
  imports: [Button, FormField],
  template: `
    @if (visit(); as one) {
      <details>
        <summary>
          <span class="head"
            ><span class="figure">{{ one.on }}</span
            ><strong>{{ kindName() }}</strong
            ><span class="soft">{{ one.by }}</span></span
          >
          <span class="says">{{ one.text }}</span>
        </summary>
        <div class="fields">
          <div class="pair">
            <lv-form-field [of]="form" name="on" />
            <lv-form-field [of]="form" name="by" />
            <lv-form-field [of]="form" name="kind" />
          </div>
          <lv-form-field [of]="form" name="text" />
          <h4>What is otherwise since then</h4>
          @for (change of changes(); track change.id) {
            <div class="change" role="group" [attr.aria-label]="change.label">
              <lv-form-field [of]="change.form" name="kind" />
              <lv-form-field [of]="change.form" name="unitId" [choices]="unitChoices()" />
              <lv-form-field [of]="change.form" name="what" />
              <lv-form-field [of]="change.form" name="before" />
              <lv-form-field [of]="change.form" name="after" />
              <p-button
                icon="pi pi-trash"
                size="small"
                [text]="true"
                [ariaLabel]="'Take away: ' + change.label"
                (onClick)="dropChange(change.id)"
              />
            </div>
          }
          <div class="line">
            <p-button
              label="A change"
              icon="pi pi-plus"
              size="small"
              [outlined]="true"
              (onClick)="addChange()"
            />
            <p-button
              label="Remove the visit"
              size="small"
              severity="secondary"
              [text]="true"
              [ariaLabel]="'Remove the visit of ' + one.on"
              (onClick)="state.drop('visits', one.id)"
            />
          </div>
        </div>
      </details>
    }
  `,
  styles: `
    :host {
      display: block;
      border-block-start: 1px solid var(--rule);
      padding-block: 0.3rem;
    }
    summary {
      min-height: 1.6rem;
      cursor: pointer;
    }
    .head {
      display: inline-flex;
      flex-wrap: wrap;
      gap: 0.6rem;
    }
    .says {
      display: block;
      padding-inline-start: 1.1rem;
    }
    .fields {
      display: grid;
      gap: 0.5rem;
      padding: 0.5rem 0 0.6rem 1.1rem;
    }
    .pair {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(10rem, 1fr));
      gap: 0.5rem;
    }
    .change {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(8.5rem, 1fr));
      gap: 0.4rem;
      align-items: end;
    }
    .line {
      display: flex;
      gap: 0.4rem;
    }
    h4 {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VisitEntry {
  protected readonly state = inject(LogbookState);
  readonly visitId = input.required<string>();

  protected readonly visit = computed(() =>
    this.state.logbook().visits.find(({ id }) => id === this.visitId()),
  );
  private last: Visit | null = null;
  /** One that has just been taken away is still asked for what stood in it. */
  private readonly value = computed((): Visit => {
    this.last = this.visit() ?? this.last;
    return this.last ?? { id: '-', on: '2026-01-01', by: '', kind: 'other', text: '', changes: [] };
  });
  protected readonly kindName = computed(() => nameOfKind[this.value().kind]);
  protected readonly form = formOf<Visit>(visitSchema.shape, this.value, (change, label) =>
    this.edit(label, (visit) => ({ ...visit, ...change })),
  );

  private readonly forms = formsOf<LoggedChange>(
    loggedChangeSchema.shape,
    computed(() => this.value().changes),
    (edit, label) => this.edit(label, (visit) => ({ ...visit, changes: edit(visit.changes) })),
  );
  protected readonly changes = computed(() =>
    this.forms().map(({ id, value, form }) => ({ id, form, label: value().what })),
  );
  protected readonly unitChoices = computed(() => [
    { value: '', label: 'none of them' },
    ...this.state.logbook().units.map(({ id, name }) => ({ value: id, label: name })),
  ]);

  protected addChange(): void {
    this.edit('change', (visit) => ({
      ...visit,
      changes: [
        ...visit.changes,
        {
          id: crypto.randomUUID(),
          kind: 'setting' as const,
          unitId: '' as const,
          what: 'A setting',
          before: '',
          after: '',
        },
      ],
    }));
  }

  protected dropChange(changeId: string): void {
    this.edit('change taken away', (visit) => ({
      ...visit,
      changes: visit.changes.filter(({ id }) => id !== changeId),
    }));
  }

  private edit(label: string, change: (visit: Visit) => Visit): void {
    const id = this.visitId();
    this.state.change(`visit: ${label}`, ({ visits }) => ({
      visits: visits.map((one) => (one.id === id ? change(one) : one)),
    }));
  }
}
