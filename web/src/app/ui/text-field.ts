import { ChangeDetectionStrategy, Component, input, linkedSignal, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { InputText } from 'primeng/inputtext';
import { Textarea } from 'primeng/textarea';
import type * as z from 'zod';

let nextId = 0;

/** A line or a note. Takes the text on leaving the field (a line also on Enter); a refused one stays with its message. */
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
          [(ngModel)]="text"
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
          [(ngModel)]="text"
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
  protected readonly text = linkedSignal(() => this.value());
  protected readonly error = signal('');

  protected commit(): void {
    const typed = this.text().trim();
    const checked = this.schema().safeParse(typed);
    this.error.set(checked.success ? '' : checked.error.issues[0]!.message);
    if (checked.success && typed !== this.value()) this.valueChange.emit(typed);
  }

  protected reset(): void {
    this.text.set(this.value());
    this.error.set('');
  }
}
