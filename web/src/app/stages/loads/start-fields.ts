import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { type Start, startSchema } from '@levamen/core/house';
import type * as z from 'zod';
import { ChoiceField, type Choice } from '../../ui/choice-field';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';

const ways: readonly Choice<Start['how']>[] = [
  { label: 'No surge', value: 'none' },
  { label: 'Multiple of running', value: 'multiple' },
  { label: 'Locked-rotor amperes', value: 'lockedRotor' },
  { label: 'Code letter and horsepower', value: 'codeLetter' },
  { label: 'Full-load table × multiple', value: 'fullLoad' },
  { label: 'Soft start or inverter-driven', value: 'soft' },
];

const fresh: Readonly<Record<Start['how'], Start>> = {
  none: { how: 'none' },
  multiple: { how: 'multiple', multiple: 5, durationS: 0.5 },
  lockedRotor: { how: 'lockedRotor', lockedRotorA: 30, durationS: 0.5 },
  codeLetter: { how: 'codeLetter', letter: 'G', horsepower: 0.5, durationS: 0.5 },
  fullLoad: { how: 'fullLoad', horsepower: 0.5, multiple: 6, durationS: 0.5 },
  soft: { how: 'soft', multiple: 1.5, durationS: 2 },
};

type Shape = Readonly<Record<string, z.ZodType>>;

/** The fields of each way of starting: a table of full-load currents ends sooner than a nameplate. */
const shapes = new Map<Start['how'], Shape>(
  startSchema.options.map(({ shape }) => {
    const { how, ...fields } = shape;
    return [how.value, fields];
  }),
);

/** How a load starts, field by field. */
@Component({
  selector: 'lv-start-fields',
  imports: [ChoiceField, FormField],
  template: `
    <lv-choice-field
      label="How it starts"
      [choices]="ways"
      [value]="start().how"
      (valueChange)="setHow($event)"
    />
    @for (name of names(); track name) {
      <lv-form-field [of]="form()" [name]="name" />
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 0.5rem 0.8rem;
    }
    lv-choice-field:first-child {
      grid-column: 1 / -1;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StartFields {
  readonly start = input.required<Start>();
  readonly startChange = output<Start>();

  protected readonly ways = ways;
  private readonly shape = computed(() => shapes.get(this.start().how)!);
  protected readonly names = computed(() => Object.keys(this.shape()));
  protected readonly form = computed(() =>
    formOf<Record<string, unknown>>(this.shape(), this.start, (change) => this.set(change)),
  );

  protected setHow(how: Start['how'] | null): void {
    if (how !== null && how !== this.start().how) this.startChange.emit(fresh[how]);
  }

  private set(change: Record<string, unknown>): void {
    const checked = startSchema.safeParse({ ...this.start(), ...change });
    if (checked.success) this.startChange.emit(checked.data);
  }
}
