import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { codeLetters } from '@levamen/core/electric';
import { type Start, startSchema } from '@levamen/core/house';
import type * as z from 'zod';
import { AmountField } from '../../ui/amount-field';
import { ChoiceField, type Choice } from '../../ui/choice-field';

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

/** The schema of each number, by the way of starting: a table of full-load currents ends sooner than a nameplate. */
const fieldsOf = Object.fromEntries(
  startSchema.options.map(({ shape }) => [shape.how.value, shape]),
) as unknown as Readonly<Record<Start['how'], Readonly<Record<string, z.ZodType<number>>>>>;

/** How a load starts, field by field. */
@Component({
  selector: 'lv-start-fields',
  imports: [AmountField, ChoiceField],
  template: `
    <lv-choice-field
      label="How it starts"
      [choices]="ways"
      [value]="start().how"
      (valueChange)="setHow($event)"
    />
    @if (lockedRotorA() !== null) {
      <lv-amount-field
        label="Locked rotor"
        unit="A"
        [schema]="amount()['lockedRotorA']!"
        [value]="lockedRotorA()"
        (valueChange)="set({ lockedRotorA: $event })"
      />
    }
    @if (letter(); as letter) {
      <lv-choice-field
        label="Code letter"
        [choices]="letters"
        [value]="letter"
        (valueChange)="set({ letter: $event })"
      />
    }
    @if (horsepower() !== null) {
      <lv-amount-field
        label="Horsepower"
        unit="hp"
        [schema]="amount()['horsepower']!"
        [value]="horsepower()"
        (valueChange)="set({ horsepower: $event })"
      />
    }
    @if (multiple() !== null) {
      <lv-amount-field
        label="Multiple"
        unit="factor"
        [schema]="amount()['multiple']!"
        [value]="multiple()"
        (valueChange)="set({ multiple: $event })"
      />
    }
    @if (durationS() !== null) {
      <lv-amount-field
        label="Lasts"
        unit="s"
        [schema]="amount()['durationS']!"
        [value]="durationS()"
        (valueChange)="set({ durationS: $event })"
      />
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
  protected readonly letters: Choice<string>[] = codeLetters.map((value) => ({ label: value, value }));
  /** What each field of this way of starting may hold: the field itself says what is wrong, and keeps the text. */
  protected readonly amount = computed(() => fieldsOf[this.start().how]);
  private readonly part = (key: string) =>
    computed((): number | null => {
      const value: unknown = (this.start() as Record<string, unknown>)[key];
      return typeof value === 'number' ? value : null;
    });
  protected readonly lockedRotorA = this.part('lockedRotorA');
  protected readonly horsepower = this.part('horsepower');
  protected readonly multiple = this.part('multiple');
  protected readonly durationS = this.part('durationS');
  protected readonly letter = computed(() => {
    const start = this.start();
    return start.how === 'codeLetter' ? start.letter : null;
  });

  protected setHow(how: Start['how'] | null): void {
    if (how !== null && how !== this.start().how) this.startChange.emit(fresh[how]);
  }

  protected set(change: Record<string, unknown>): void {
    const checked = startSchema.safeParse({ ...this.start(), ...change });
    if (checked.success) this.startChange.emit(checked.data);
  }
}
