import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { countSchema } from '@levamen/core/base';
import type { StackPart } from '@levamen/core/equipment';
import { Button } from 'primeng/button';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { AmountField } from '../../ui/amount-field';
import { type Choice, ChoiceField } from '../../ui/choice-field';

const mostKinds = 20;

/** Inverters and batteries the house has already: no design pays for them. */
@Component({
  selector: 'lv-existing-card',
  imports: [AmountField, Button, ChoiceField],
  template: `
    <section class="sheet" aria-labelledby="existing-heading">
      <h2 id="existing-heading">In the house already</h2>
      <p class="small soft">
        Inverters and batteries that are there: whatever is designed, so many of them are not bought. Arrays
        and a generator say so themselves, in Outage, Conditions.
      </p>
      @for (row of rows(); track row.unitId) {
        <div class="row" role="group" [attr.aria-label]="row.name">
          <span>{{ row.name }}</span>
          <lv-amount-field
            label="Pieces"
            unit="count"
            [schema]="count"
            [value]="row.quantity"
            (valueChange)="set(row.unitId, $event ?? 1)"
          />
          <p-button
            icon="pi pi-times"
            size="small"
            severity="secondary"
            [text]="true"
            [ariaLabel]="'Remove ' + row.name"
            (onClick)="drop(row.unitId)"
          />
        </div>
      }
      @if (choices().length > 0) {
        <lv-choice-field
          label="Add what is there"
          [choices]="choices()"
          [value]="null"
          (valueChange)="add($event)"
        />
      }
    </section>
  `,
  styles: `
    .sheet {
      display: grid;
      gap: 0.4rem;
      padding: 0.8rem 0.95rem;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem 1rem;
      align-items: center;
    }
    p {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ExistingCard {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);

  protected readonly count = countSchema(1, 60);
  private readonly units = computed(() => this.session.plan()?.existingUnits ?? []);
  protected readonly rows = computed(() =>
    this.units().map(({ unitId, quantity }) => ({
      unitId,
      quantity,
      name: this.evaluations.catalogue().find(({ id }) => id === unitId)?.name ?? unitId,
    })),
  );
  protected readonly choices = computed((): Choice<string>[] => {
    const taken = new Set(this.units().map(({ unitId }) => unitId));
    if (taken.size >= mostKinds) return [];
    return this.evaluations
      .catalogue()
      .filter(({ id }) => !taken.has(id))
      .map(({ id, name }) => ({ value: id, label: name }));
  });

  protected add(unitId: string | null): void {
    if (unitId !== null) this.edit('unit that is there', (units) => [...units, { unitId, quantity: 1 }]);
  }

  protected set(unitId: string, quantity: number): void {
    this.edit('units that are there', (units) =>
      units.map((unit) => (unit.unitId === unitId ? { ...unit, quantity } : unit)),
    );
  }

  protected drop(unitId: string): void {
    this.edit('unit that is there', (units) => units.filter((unit) => unit.unitId !== unitId));
  }

  private edit(label: string, change: (units: readonly StackPart[]) => StackPart[]): void {
    this.session.edit(label, (plan) => ({ ...plan, existingUnits: change(plan.existingUnits) }));
  }
}
