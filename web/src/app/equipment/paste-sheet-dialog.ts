import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { fieldFacts } from '@levamen/core/base';
import { type ItemDraft, readPastedSheet } from '@levamen/core/equipment/details';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { Textarea } from 'primeng/textarea';

/** A column of a data sheet, pasted: what is understood of it is looked at, then taken. */
@Component({
  selector: 'lv-paste-sheet-dialog',
  imports: [Button, Dialog, FormsModule, Textarea],
  template: `
    <p-dialog
      closeAriaLabel="Close"
      header="From a data sheet"
      [modal]="true"
      [dismissableMask]="true"
      [visible]="true"
      [style]="{ width: 'min(48rem, 94vw)' }"
      (visibleChange)="closed.emit()"
    >
      <label for="sheet-box" class="small">
        Paste the table of a data sheet: a label and a value on each line, as “Weight: 96 kg”.
      </label>
      <textarea
        pTextarea
        id="sheet-box"
        rows="8"
        [ngModel]="text()"
        (ngModelChange)="text.set($event)"
      ></textarea>
      @if (read().found.length > 0) {
        <table class="ruled small">
          <thead>
            <tr>
              <th scope="col">Field</th>
              <th scope="col">Taken from</th>
              <th scope="col">Value</th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.key) {
              <tr>
                <td>
                  <b>{{ row.label }}</b>
                </td>
                <td>{{ row.from }}</td>
                <td>{{ row.text }}</td>
              </tr>
            }
          </tbody>
        </table>
      }
      @for (problem of read().problems; track $index) {
        <p class="small problem">
          <i class="pi pi-times-circle" aria-hidden="true"></i> {{ problem.line }}: {{ problem.message }}
        </p>
      }
      @if (read().leftOut.length > 0) {
        <details class="small">
          <summary>Lines nothing is taken from: {{ read().leftOut.length }}</summary>
          @for (line of read().leftOut; track $index) {
            <p class="soft">{{ line }}</p>
          }
        </details>
      }
      <p-button
        [label]="'Take ' + read().found.length + ' values'"
        [disabled]="read().found.length === 0"
        (onClick)="take()"
      />
    </p-dialog>
  `,
  styles: `
    textarea {
      width: 100%;
      margin: 0.3rem 0 0.6rem;
    }
    .problem {
      color: var(--fails);
    }
    p-button {
      display: block;
      margin-block-start: 0.7rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PasteSheetDialog {
  readonly draft = input.required<ItemDraft>();
  readonly closed = output();
  readonly taken = output<ItemDraft>();

  protected readonly text = signal('');
  protected readonly read = computed(() => readPastedSheet(this.draft().kind, this.text()));
  protected readonly rows = computed(() =>
    this.read().found.map(({ field, label, text }) => ({
      key: field.key,
      label: fieldFacts.get(field.schema)!.label,
      from: label,
      text,
    })),
  );

  protected take(): void {
    const head: Record<string, unknown> = {};
    const ratings: Record<string, unknown> = { ...this.draft().ratings };
    for (const { field, value } of this.read().found)
      (field.of === 'head' ? head : ratings)[field.key] = value;
    this.taken.emit({ ...this.draft(), ...head, ratings });
  }
}
