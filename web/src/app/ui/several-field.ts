import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';

/** A choice of several, each a box to tick. */
@Component({
  selector: 'lv-several-field',
  template: `
    <fieldset>
      <legend>{{ label() }}</legend>
      @for (choice of listed(); track choice.value) {
        <label>
          <input type="checkbox" [checked]="choice.chosen" (change)="toggle(choice.value)" />
          {{ choice.label }}
        </label>
      }
    </fieldset>
  `,
  styles: `
    fieldset {
      border: 0;
      margin: 0;
      padding: 0;
      display: grid;
      gap: 0.1rem;
    }
    legend {
      padding: 0;
      font-size: 0.87rem;
      font-weight: 600;
    }
    label {
      font-size: 0.92rem;
      display: flex;
      gap: 0.4rem;
      align-items: center;
      min-height: 1.8rem;
    }
    input {
      width: 1.1rem;
      height: 1.1rem;
      flex: none;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SeveralField {
  readonly label = input.required<string>();
  readonly choices = input.required<readonly (readonly [value: string, label: string])[]>();
  readonly value = input.required<readonly string[]>();
  readonly valueChange = output<string[]>();

  protected readonly listed = computed(() =>
    this.choices().map(([value, label]) => ({ value, label, chosen: this.value().includes(value) })),
  );

  /** In the order in which they are offered. */
  protected toggle(value: string): void {
    const chosen = new Set(this.value());
    if (!chosen.delete(value)) chosen.add(value);
    this.valueChange.emit(this.choices().flatMap(([one]) => (chosen.has(one) ? [one] : [])));
  }
}
