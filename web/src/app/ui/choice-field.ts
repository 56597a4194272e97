import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  Injector,
  input,
  output,
} from '@angular/core';
import { FormsModule, type NgModel } from '@angular/forms';
import { Select } from 'primeng/select';

/** One thing to choose. */
export interface Choice<T> {
  readonly label: string;
  readonly value: T;
}

let nextId = 0;

/** A choice from a short list; null is "nobody has said", shown as the assumed default. */
@Component({
  selector: 'lv-choice-field',
  imports: [FormsModule, Select],
  template: `
    <label [for]="id" [id]="id + '-label'">{{ label() }}</label>
    <p-select
      #model="ngModel"
      size="small"
      optionLabel="label"
      optionValue="value"
      [inputId]="id"
      [ariaLabelledBy]="id + '-label'"
      [options]="listed()"
      [placeholder]="assumedLabel() === '' ? '' : assumedLabel() + ', assumed'"
      [showClear]="assumedLabel() !== '' && value() !== null"
      [ngModel]="value()"
      (ngModelChange)="choose($event, model)"
    />
    <span class="note">
      @if (value() === null && assumedLabel() !== '') {
        <span class="assumed"><b>assumed</b> {{ why() }}</span>
      } @else if (hint() !== '') {
        {{ hint() }}
      }
    </span>
  `,
  styleUrl: './field.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChoiceField<T> {
  readonly label = input.required<string>();
  readonly choices = input.required<readonly Choice<T>[]>();
  readonly value = input.required<T | null>();
  /** The default in force while nothing is chosen. */
  readonly assumed = input<T | null>(null);
  readonly why = input('');
  readonly hint = input('');
  readonly valueChange = output<T | null>();

  private readonly injector = inject(Injector);
  protected readonly id = `choice-${nextId++}`;
  protected readonly listed = computed(() => [...this.choices()]);
  protected readonly assumedLabel = computed(() => {
    const assumed = this.assumed();
    return assumed === null ? '' : (this.choices().find(({ value }) => value === assumed)?.label ?? '');
  });

  /** What was chosen may stand elsewhere now, or was not taken: then the field shows its value, as before. */
  protected choose(chosen: T | null, model: NgModel): void {
    this.valueChange.emit(chosen);
    const showValue = (): void => {
      if (this.value() !== chosen) model.control.setValue(this.value(), { emitViewToModelChange: false });
    };
    afterNextRender(showValue, { injector: this.injector });
  }
}
