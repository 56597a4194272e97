import {
  ChangeDetectionStrategy,
  Component,
  computed,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { UnitSystem } from '@levamen/core';
import { InputText } from 'primeng/inputtext';
import type * as z from 'zod';
import { fieldScale, type FieldUnit } from './field-units';
import { amountText, readAmount } from './read-amount';

let nextId = 0;

/**
 * A number with a unit. Takes the value on Enter or on leaving the field; what cannot be read stays in the field with a
 * message below it. Emptied, a field that may be unknown goes back to its assumed value.
 */
@Component({
  selector: 'lv-amount-field',
  imports: [FormsModule, InputText],
  template: `
    <label [for]="id" [class.visually-hidden]="hideLabel()">{{ label() }}</label>
    <span class="box">
      <input
        pInputText
        pSize="small"
        class="figure"
        inputmode="decimal"
        autocomplete="off"
        [id]="id"
        [(ngModel)]="text"
        [placeholder]="placeholder()"
        [attr.aria-invalid]="error() !== '' || null"
        [attr.aria-describedby]="noteId"
        (blur)="commit()"
        (keydown.enter)="commit()"
        (keydown.escape)="reset()"
      />
      @if (scale().unit !== '') {
        <span class="unit">{{ scale().unit }}</span>
      }
    </span>
    <span class="note" [id]="noteId" aria-live="polite">
      @if (error() !== '') {
        <span class="error"><i class="pi pi-times-circle" aria-hidden="true"></i> {{ error() }}</span>
      } @else if (value() === null && assumed() !== null) {
        <span class="assumed"><b>assumed</b> {{ why() }}</span>
      } @else if (hint() !== '') {
        {{ hint() }}
      }
    </span>
  `,
  styleUrl: './field.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AmountField {
  readonly label = input.required<string>();
  readonly unit = input.required<FieldUnit>();
  readonly schema = input.required<z.ZodType<number | null>>();
  readonly value = input.required<number | null>();
  readonly system = input<UnitSystem>('metric');
  /** The default in force while the value is unknown; null where the field must have a value. */
  readonly assumed = input<number | null>(null);
  readonly why = input('');
  readonly hint = input('');
  readonly hideLabel = input(false);
  /** May the field be emptied? */
  readonly optional = input(false);
  readonly valueChange = output<number | null>();

  protected readonly id = `amount-${nextId++}`;
  protected readonly noteId = `${this.id}-note`;
  protected readonly error = signal('');
  protected readonly scale = computed(() => fieldScale(this.unit(), this.system()));
  protected readonly placeholder = computed(() => {
    const assumed = this.assumed();
    return assumed === null ? '' : amountText(assumed, this.unit(), this.system());
  });
  private readonly shown = computed(() => {
    const value = this.value();
    return value === null ? '' : amountText(value, this.unit(), this.system());
  });
  protected readonly text = linkedSignal(() => this.shown());

  protected commit(): void {
    const typed = this.text().trim();
    if (typed === this.shown()) {
      this.error.set('');
      return;
    }
    if (typed === '') {
      if (this.optional()) this.accept(null);
      else this.error.set('Enter a number');
      return;
    }
    const read = readAmount(typed, this.unit(), this.system(), this.schema() as z.ZodType<number>);
    if (read.ok) this.accept(read.value);
    else this.error.set(read.message);
  }

  protected reset(): void {
    this.text.set(this.shown());
    this.error.set('');
  }

  private accept(value: number | null): void {
    this.error.set('');
    if (value === this.value()) this.text.set(this.shown());
    else this.valueChange.emit(value);
  }
}
