import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { Button } from 'primeng/button';
import type { Form } from './form';
import { FormField } from './form-field';

/** An entry of a list as it is shown: what it is called, and its form behind that. */
export interface EntryRow<T extends object> {
  readonly id: string;
  readonly label: string;
  readonly form: Form<T>;
  /** It is struck through. */
  readonly isDone?: boolean;
}

/** A list whose entries unfold into their fields, are taken away, and are added to. */
@Component({
  selector: 'lv-entry-list',
  imports: [Button, FormField],
  template: `
    @for (row of rows(); track row.id) {
      <details>
        <summary [class.done]="row.isDone">{{ row.label }}</summary>
        <div class="fields">
          @for (name of names(); track name) {
            <lv-form-field [of]="row.form" [name]="name" />
          }
          <p-button
            size="small"
            severity="secondary"
            [label]="dropLabel()"
            [text]="true"
            [ariaLabel]="dropLabel() + ': ' + row.label"
            (onClick)="removed.emit(row.id)"
          />
        </div>
      </details>
    }
    <p-button
      icon="pi pi-plus"
      size="small"
      [label]="addLabel()"
      [outlined]="true"
      (onClick)="added.emit()"
    />
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.4rem;
    }
    summary {
      min-height: 1.6rem;
      cursor: pointer;
    }
    .done {
      color: var(--ink-soft);
      text-decoration: line-through;
    }
    p-button {
      justify-self: start;
    }
    .fields {
      display: grid;
      gap: 0.4rem;
      padding: 0.3rem 0 0.6rem 1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EntryList<T extends object> {
  readonly rows = input.required<readonly EntryRow<T>[]>();
  /** Fields of an entry, in their order. */
  readonly names = input.required<readonly (keyof T & string)[]>();
  readonly addLabel = input.required<string>();
  readonly dropLabel = input('Remove');
  readonly added = output();
  /** The entry that is taken away, by its id. */
  readonly removed = output<string>();
}
