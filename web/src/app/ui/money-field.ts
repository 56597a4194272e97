import { ChangeDetectionStrategy, Component, input, linkedSignal, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type Decimal, readDecimal } from '@levamen/core/base';
import { InputText } from 'primeng/inputtext';

let nextId = 0;

/** An amount of money, kept as decimal text. What cannot be read stays in the field with a message below it. */
@Component({
  selector: 'lv-money-field',
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
        [ngModel]="text()"
        (ngModelChange)="text.set($event)"
        [attr.aria-invalid]="error() !== '' || null"
        [attr.aria-describedby]="id + '-note'"
        (blur)="commit()"
        (keydown.enter)="commit()"
        (keydown.escape)="reset()"
      />
      @if (unit() !== '') {
        <span class="unit">{{ unit() }}</span>
      }
    </span>
    <span class="note" [id]="id + '-note'" aria-live="polite">
      @if (error() !== '') {
        <span class="error"><i class="pi pi-times-circle" aria-hidden="true"></i> {{ error() }}</span>
      } @else {
        {{ hint() }}
      }
    </span>
  `,
  styleUrl: './field.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MoneyField {
  readonly label = input.required<string>();
  readonly value = input.required<Decimal | null>();
  /** Currency, or currency and what it is for: "CAD", "CAD a metre". */
  readonly unit = input('');
  readonly hint = input('');
  readonly hideLabel = input(false);
  /** May it be emptied? */
  readonly optional = input(false);
  readonly valueChange = output<Decimal | null>();

  protected readonly id = `money-${nextId++}`;
  protected readonly error = signal('');
  protected readonly text = linkedSignal(() => this.value() ?? '');

  protected commit(): void {
    const typed = this.text().trim();
    if (typed === (this.value() ?? '')) this.error.set('');
    else if (typed === '') {
      if (this.optional()) this.accept(null);
      else this.error.set('Enter an amount');
    } else {
      const read = readDecimal(typed);
      if (read === null) this.error.set('Write the amount as 1234.50, not below zero');
      else this.accept(read);
    }
  }

  protected reset(): void {
    this.error.set('');
    this.text.set(this.value() ?? '');
  }

  private accept(value: Decimal | null): void {
    this.error.set('');
    if (value === this.value()) this.text.set(value ?? '');
    else this.valueChange.emit(value);
  }
}
