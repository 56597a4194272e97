import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { amountText, fieldScale, type FieldUnit, readAmount, type UnitSystem } from '@levamen/core/base';
import { InputText } from 'primeng/inputtext';
import { debounceTime, merge, Subject } from 'rxjs';
import type * as z from 'zod';
import { Typing } from './typing';

/** A pause in typing after which a whole value is taken. */
const pauseMs = 900;

let nextId = 0;

/**
 * A number with a unit. Takes the value on Enter, on leaving the field, and after a pause in typing; what cannot be read stays in
 * the field with a message below it. Emptied, a field that may be unknown goes back to its assumed value.
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
        [ngModel]="text()"
        (ngModelChange)="onTyped($event)"
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
  private readonly typing = inject(Typing);
  private readonly typed = new Subject<void>();
  protected readonly text = linkedSignal<string, string>({
    source: this.shown,
    // What was taken in the middle of typing does not move what is being typed.
    computation: (shown, before) => (this.isTaking && before ? before.value : shown),
  });
  private isTaking = false;

  constructor() {
    merge(this.typed.pipe(debounceTime(pauseMs)), this.typing.finish$)
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.takeTyped());
  }

  protected onTyped(text: string): void {
    this.text.set(text);
    this.typed.next();
  }

  /** Takes a whole value quietly; a half one waits until the field is left. */
  private takeTyped(): void {
    const typed = this.text().trim();
    if (typed === this.shown() || typed === '') return;
    const read = readAmount(typed, this.unit(), this.system(), this.schema() as z.ZodType<number>);
    if (!read.ok || read.value === this.value()) return;
    this.error.set('');
    this.isTaking = true;
    this.typing.during(() => this.valueChange.emit(read.value));
  }

  protected commit(): void {
    this.isTaking = false;
    this.typing.pause();
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
