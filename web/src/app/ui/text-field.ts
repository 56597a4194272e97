import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { InputText } from 'primeng/inputtext';
import { Textarea } from 'primeng/textarea';
import type * as z from 'zod';
import { TypedText } from './typed-text';

let nextId = 0;

/** A line or a note. Takes the text as it is typed; one that is refused stays in the field, with its message once the field is left. */
@Component({
  selector: 'lv-text-field',
  imports: [FormsModule, InputText, Textarea],
  template: `
    <label [for]="id" [class.visually-hidden]="hideLabel()">{{ label() }}</label>
    <span class="box wide">
      @if (rows() > 1) {
        <textarea
          pTextarea
          pSize="small"
          [id]="id"
          [rows]="rows()"
          [ngModel]="typed.text()"
          (ngModelChange)="typed.onTyped($event)"
          [attr.aria-invalid]="typed.error() !== '' || null"
          [attr.aria-describedby]="noteId"
          (blur)="typed.commit()"
        ></textarea>
      } @else {
        <input
          pInputText
          pSize="small"
          autocomplete="off"
          [id]="id"
          [ngModel]="typed.text()"
          (ngModelChange)="typed.onTyped($event)"
          [attr.aria-invalid]="typed.error() !== '' || null"
          [attr.aria-describedby]="noteId"
          (blur)="typed.commit()"
          (keydown.enter)="typed.commit()"
          (keydown.escape)="typed.reset()"
        />
      }
    </span>
    <span class="note" [id]="noteId" aria-live="polite">
      @if (typed.error() !== '') {
        <span class="error"><i class="pi pi-times-circle" aria-hidden="true"></i> {{ typed.error() }}</span>
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
  readonly hideLabel = input(false);
  readonly valueChange = output<string>();

  protected readonly id = `text-${nextId++}`;
  protected readonly noteId = `${this.id}-note`;
  protected readonly typed = new TypedText(this.value, this.schema, (value) => this.valueChange.emit(value));
}
