import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { nextVisit, visitsOf } from '@levamen/core/commissioning';
import {
  type Commissioning,
  type Instrument,
  instrumentSchema,
  type PunchItem,
  punchItemSchema,
} from '@levamen/core/house';
import { Button } from 'primeng/button';
import { AddedSteps, type StepsEdit } from '../../ui/added-steps';
import { EntryList } from '../../ui/entry-list';
import { formsOf } from '../../ui/forms-of';
import { CommissioningState } from './commissioning-state';
import { CompanySteps } from './company-steps';

/** What is left to do, the instruments in hand, and steps of one's own. */
@Component({
  selector: 'lv-commissioning-lists',
  imports: [AddedSteps, Button, EntryList],
  providers: [CompanySteps],
  template: `
    <section class="sheet" aria-labelledby="left-heading">
      <h3 id="left-heading">Left to do</h3>
      <p class="small soft">{{ leftSays() }}</p>
      <p class="small soft">{{ nextSays() }}</p>
      <lv-entry-list
        addLabel="Something left to do"
        dropLabel="Take it off"
        [rows]="punch()"
        [names]="punchNames"
        (added)="addPunch()"
        (removed)="drop('punch', $event)"
      />
    </section>
    <section class="sheet" aria-labelledby="instruments-heading">
      <h3 id="instruments-heading">Instruments</h3>
      <lv-entry-list
        addLabel="Instrument"
        [rows]="instruments()"
        [names]="instrumentNames"
        (added)="addInstrument()"
        (removed)="drop('instruments', $event)"
      />
    </section>
    <section class="sheet" aria-labelledby="own-heading">
      <h3 id="own-heading">Steps of your own</h3>
      <lv-added-steps [steps]="record().added" (edited)="editOwn($event)" />
      <div class="line">
        <p-button
          label="Take the company’s"
          icon="pi pi-download"
          size="small"
          [text]="true"
          (onClick)="company.take()"
        />
        @if (company.mayKeep() && record().added.length > 0) {
          <p-button
            label="Keep them for the company"
            icon="pi pi-upload"
            size="small"
            [text]="true"
            (onClick)="company.keep()"
          />
        }
      </div>
      <p class="small soft" role="status">{{ company.says() }}</p>
    </section>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.6rem;
    }
    .sheet {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.4rem;
      padding: 0.8rem 0.95rem;
    }
    .line {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem;
    }
    p {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CommissioningLists {
  private readonly state = inject(CommissioningState);
  protected readonly company = inject(CompanySteps);
  protected readonly record = this.state.record;
  protected readonly punchNames = ['text', 'who', 'dueOn', 'doneOn'] as const;
  protected readonly instrumentNames = ['name', 'calibratedOn'] as const;

  protected readonly leftSays = computed(() => {
    const { punch } = this.record();
    const open = punch.filter(({ doneOn }) => doneOn === null).length;
    if (punch.length === 0) return 'Nothing is noted.';
    return open === 0 ? 'All of it is done.' : `${open} of ${punch.length} are open.`;
  });

  /** What somebody has to come back for. */
  protected readonly nextSays = computed(() => {
    const stand = this.state.stand();
    const next = stand && nextVisit(stand, this.record());
    const visits = visitsOf(this.record());
    if (!next || visits.length === 0) return '';
    const words = [
      next.steps.length > 0 ? `${next.steps.length} steps` : '',
      next.punch.length > 0 ? `${next.punch.length} of this list` : '',
    ].filter((one) => one !== '');
    return `Visits so far: ${visits.length}. Another one is needed for ${words.join(' and ')}${next.dueOn === null ? '' : `, by ${next.dueOn}`}.`;
  });

  private readonly punchForms = formsOf<PunchItem>(
    punchItemSchema.shape,
    computed(() => this.record().punch),
    (edit, label) => this.state.change(`left to do: ${label}`, (now) => ({ ...now, punch: edit(now.punch) })),
  );
  protected readonly punch = computed(() =>
    this.punchForms().map(({ id, value, form }) => ({
      id,
      form,
      label: value().text,
      isDone: value().doneOn !== null,
    })),
  );

  private readonly instrumentForms = formsOf<Instrument>(
    instrumentSchema.shape,
    computed(() => this.record().instruments),
    (edit, label) =>
      this.state.change(`instrument: ${label}`, (now) => ({ ...now, instruments: edit(now.instruments) })),
  );
  protected readonly instruments = computed(() =>
    this.instrumentForms().map(({ id, value, form }) => ({ id, form, label: value().name })),
  );

  protected addPunch(): void {
    this.add('left to do', (id) => ({
      punch: [
        ...this.record().punch,
        { id, text: 'Something to finish', stepId: '', who: '', dueOn: null, doneOn: null },
      ],
    }));
  }

  protected addInstrument(): void {
    this.add('instrument', (id) => ({
      instruments: [...this.record().instruments, { id, name: 'Multimeter', calibratedOn: null }],
    }));
  }

  protected editOwn({ label, edit }: StepsEdit): void {
    this.state.change(label, (now) => ({ ...now, added: edit(now.added) }));
  }

  protected drop(list: 'punch' | 'instruments', id: string): void {
    this.state.change('taken away', (now) => ({
      ...now,
      [list]: now[list].filter((one) => one.id !== id),
      // What was measured with an instrument that is gone was measured with one nobody names.
      ...(list === 'instruments'
        ? {
            entries: now.entries.map((one) =>
              one.instrumentId === id ? { ...one, instrumentId: '' as const } : one,
            ),
          }
        : {}),
    }));
  }

  private add(label: string, change: (id: string) => Partial<Commissioning>): void {
    this.state.change(label, (now) => ({ ...now, ...change(crypto.randomUUID()) }));
  }
}
