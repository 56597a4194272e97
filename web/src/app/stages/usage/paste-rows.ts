import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { ListRow } from '@levamen/core/house/details';
import { Button } from 'primeng/button';
import { Textarea } from 'primeng/textarea';
import { splitRows } from './split-rows';

/** Rows pasted or read from a CSV file: looked at, then taken. What cannot be read says why and stays out. */
@Component({
  selector: 'lv-paste-rows',
  imports: [Button, FormsModule, Textarea],
  template: `
    <label class="small" [for]="id">{{ hint() }}</label>
    <textarea pTextarea rows="4" [id]="id" [ngModel]="text()" (ngModelChange)="text.set($event)"></textarea>
    <label class="small"
      >or a CSV file <input type="file" accept=".csv,.txt,.tsv" (change)="pick($event)"
    /></label>
    @if (rows().length > 0) {
      <ul class="small" aria-live="polite">
        @for (row of refused(); track row.row) {
          <li class="refused">Row {{ row.row }} left out: {{ row.problem }}</li>
        }
      </ul>
    }
    <p>
      <p-button
        size="small"
        [label]="'Add ' + readable().length + ' ' + noun()"
        [disabled]="readable().length === 0"
        (onClick)="take()"
      />
      <p-button size="small" label="Cancel" severity="secondary" [text]="true" (onClick)="closed.emit()" />
    </p>
  `,
  styleUrl: './cards.css',
  styles: `
    ul {
      list-style: none;
      max-height: 10rem;
      overflow: auto;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PasteRows<T> {
  readonly hint = input.required<string>();
  readonly noun = input.required<string>();
  readonly read = input.required<(cells: string[][]) => readonly ListRow<T>[]>();
  readonly taken = output<T[]>();
  readonly closed = output();

  protected readonly id = `paste-${crypto.randomUUID()}`;
  protected readonly text = signal('');
  protected readonly rows = computed(() => {
    const text = this.text().trim();
    return text === '' ? [] : this.read()(splitRows(text));
  });
  protected readonly readable = computed(() =>
    this.rows().flatMap(({ value }) => (value === null ? [] : [value])),
  );
  protected readonly refused = computed(() => this.rows().filter(({ value }) => value === null));

  protected async pick(event: Event): Promise<void> {
    const file = (event.target as HTMLInputElement).files?.[0];
    if (file) this.text.set(await file.slice(0, 2_000_000).text());
  }

  protected take(): void {
    this.taken.emit([...this.readable()]);
    this.text.set('');
  }
}
