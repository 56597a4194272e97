import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { type AddedStep, addedStepSchema } from '@levamen/core/house';
import { EntryList } from './entry-list';
import { formsOf } from './forms-of';

/** What somebody does to a list of steps, and what it is called. */
export interface StepsEdit {
  readonly label: string;
  readonly edit: (steps: AddedStep[]) => AddedStep[];
}

/** Steps of commissioning that somebody wrote: of a job, or of a company. */
@Component({
  selector: 'lv-added-steps',
  imports: [EntryList],
  template: `
    <lv-entry-list
      addLabel="Step"
      [rows]="rows()"
      [names]="names"
      (added)="add()"
      (removed)="remove($event)"
    />
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AddedSteps {
  readonly steps = input.required<AddedStep[]>();
  readonly edited = output<StepsEdit>();

  protected readonly names = ['title', 'how'] as const;
  private readonly forms = formsOf<AddedStep>(addedStepSchema.shape, this.steps, (edit, label) =>
    this.edited.emit({ label: `own step: ${label}`, edit }),
  );
  protected readonly rows = computed(() =>
    this.forms().map(({ id, value, form }) => ({ id, form, label: value().title })),
  );

  protected add(): void {
    const step = { id: crypto.randomUUID(), title: 'What is to be checked', how: '' };
    this.edited.emit({ label: 'own step', edit: (steps) => [...steps, step] });
  }

  protected remove(id: string): void {
    this.edited.emit({ label: 'taken away', edit: (steps) => steps.filter((one) => one.id !== id) });
  }
}
