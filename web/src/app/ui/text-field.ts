import {
  ChangeDetectionStrategy,
  Component,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { InputText } from 'primeng/inputtext';
import { Textarea } from 'primeng/textarea';
import type * as z from 'zod';
import { Typing } from './typing';

let nextId = 0;

/** A line or a note. Takes the text as it is typed; one that is refused stays in the field, with its message once the field is left. */
@Component({
  selector: 'lv-text-field',
  imports: [FormsModule, InputText, Textarea],
  template: `
    <label [for]="id">{{ label() }}</label>
    <span class="box wide">
      @if (rows() > 1) {
        <textarea
          pTextarea
          pSize="small"
          [id]="id"
          [rows]="rows()"
          [ngModel]="text()"
          (ngModelChange)="onTyped($event)"
          [attr.aria-invalid]="error() !== '' || null"
          [attr.aria-describedby]="noteId"
          (blur)="commit()"
        ></textarea>
      } @else {
        <input
          pInputText
          pSize="small"
          autocomplete="off"
          [id]="id"
          [ngModel]="text()"
          (ngModelChange)="onTyped($event)"
          [attr.aria-invalid]="error() !== '' || null"
          [attr.aria-describedby]="noteId"
          (blur)="commit()"
          (keydown.enter)="commit()"
          (keydown.escape)="reset()"
        />
      }
    </span>
    <span class="note" [id]="noteId" aria-live="polite">
      @if (error() !== '') {
        <span class="error"><i class="pi pi-times-circle" aria-hidden="true"></i> {{ error() }}</span>
      } @else if (hint() !== '') {
        {{ hint() }}
      }
    </span>
  `,
  styleUrl: './field.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TextField {
  readonly label = input.required<string>();
  readonly value = input.required<string>();
  readonly schema = input.required<z.ZodType>();
  readonly hint = input('');
  readonly rows = input(1);
  readonly valueChange = output<string>();

  protected readonly id = `text-${nextId++}`;
  protected readonly noteId = `${this.id}-note`;
  private readonly typing = inject(Typing);
  /** What was taken does not move what is being typed: a space at the end stays. */
  protected readonly text = linkedSignal<string, string>({
    source: this.value,
    computation: (value, before) => (before?.value.trim() === value ? before.value : value),
  });
  /** What stood here when typing began: Escape goes back to it. */
  private before: string | null = null;
  protected readonly error = signal('');

  protected onTyped(text: string): void {
    this.before ??= this.value();
    this.text.set(text);
    const typed = text.trim();
    if (!this.schema().safeParse(typed).success) return;
    this.error.set('');
    if (typed !== this.value()) this.typing.during(() => this.valueChange.emit(typed));
  }

  protected commit(): void {
    const typed = this.text().trim();
    const checked = this.schema().safeParse(typed);
    this.error.set(checked.success ? '' : checked.error.issues[0]!.message);
    if (checked.success && typed !== this.value()) this.valueChange.emit(typed);
    if (checked.success) this.text.set(typed);
    this.before = null;
    this.typing.pause();
  }

  protected reset(): void {
    const before = this.before ?? this.value();
    if (before !== this.value()) this.typing.during(() => this.valueChange.emit(before));
    this.text.set(before);
    this.error.set('');
    this.before = null;
  }
}
