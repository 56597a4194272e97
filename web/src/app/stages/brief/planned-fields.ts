import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type Brief, type PlannedAddition, plannedAdditionSchema, prepareFor } from '@levamen/core/design';
import type { SupplySystem } from '@levamen/core/electric';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { JobSession } from '../../data/job-session';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';

/** Something that comes later, and whether it is sized for now. */
@Component({
  selector: 'lv-planned-fields',
  imports: [Button, Checkbox, FormField, FormsModule],
  template: `
    <lv-form-field class="name" [of]="form" name="name" />
    <lv-form-field [of]="form" name="kind" />
    @if (addition().kind !== 'battery') {
      <lv-form-field [of]="form" name="runningPowerW" />
    }
    @if (addition().kind === 'load' || addition().kind === 'battery') {
      <lv-form-field
        [of]="form"
        name="energyWhPerDay"
        [label]="addition().kind === 'load' ? 'Energy a day' : 'It holds'"
      />
    }
    @if (addition().kind === 'load') {
      <div class="count">
        <p-checkbox
          [binary]="true"
          [inputId]="'count-' + addition().id"
          [ngModel]="addition().countIn"
          (ngModelChange)="set({ countIn: $event })"
        />
        <label [for]="'count-' + addition().id">size for it now</label>
      </div>
    }
    <p-button
      icon="pi pi-trash"
      size="small"
      severity="secondary"
      [text]="true"
      [ariaLabel]="'Remove ' + addition().name"
      (onClick)="remove()"
    />
    <ul class="prepare small" [attr.aria-label]="'To prepare for ' + addition().name">
      @for (line of prepare(); track line) {
        <li>{{ line }}</li>
      }
    </ul>
  `,
  styleUrl: './planned-fields.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlannedFields {
  private readonly session = inject(JobSession);
  readonly addition = input.required<PlannedAddition>();
  readonly system = input.required<SupplySystem>();
  protected readonly prepare = computed(() => prepareFor(this.addition(), this.system()));
  protected readonly form = formOf<PlannedAddition>(plannedAdditionSchema.shape, this.addition, (change) =>
    this.set(change),
  );

  protected set(change: Partial<PlannedAddition>): void {
    const { id } = this.addition();
    this.edit('planned addition', (all) => all.map((one) => (one.id === id ? { ...one, ...change } : one)));
  }

  protected remove(): void {
    const { id } = this.addition();
    this.edit('planned addition removed', (all) => all.filter((one) => one.id !== id));
  }

  private edit(label: string, change: (all: Brief['plannedAdditions']) => Brief['plannedAdditions']): void {
    this.session.edit(label, (plan) => ({
      ...plan,
      brief: { ...plan.brief, plannedAdditions: change(plan.brief.plannedAdditions) },
    }));
  }
}
