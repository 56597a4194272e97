import { ChangeDetectionStrategy, Component, input, model } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { InputText } from 'primeng/inputtext';

let nextId = 0;

/** A line of a form that is sent as a whole: name, mail address, password. What the server says of it stands below. */
@Component({
  selector: 'lv-entry-field',
  imports: [FormsModule, InputText],
  template: `
    <label [for]="id">{{ label() }}</label>
    <input
      pInputText
      [id]="id"
      [name]="name()"
      [type]="type()"
      [attr.autocomplete]="autocomplete()"
      [(ngModel)]="value"
      [attr.aria-invalid]="problem() !== '' || null"
      [attr.aria-describedby]="id + '-note'"
    />
    <span class="small" [id]="id + '-note'" aria-live="polite">
      @if (problem() !== '') {
        <span class="problem"><i class="pi pi-times-circle" aria-hidden="true"></i> {{ problem() }}</span>
      } @else {
        {{ hint() }}
      }
    </span>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.25rem;
    }
    label {
      font-weight: 600;
      font-size: 0.87rem;
    }
    .problem {
      color: var(--fails);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EntryField {
  readonly label = input.required<string>();
  readonly name = input.required<string>();
  readonly type = input<'text' | 'email' | 'password'>('text');
  readonly autocomplete = input('off');
  readonly hint = input('');
  readonly problem = input('');
  readonly value = model.required<string>();
  protected readonly id = `entry-${nextId++}`;
}
