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
import { FormsModule } from '@angular/forms';
import { type Panel, spacesText } from '@levamen/core/house';
import {
  circuitColumnLabels,
  circuitColumns,
  circuitEntryText,
  guessCircuitColumns,
  readCircuitRows,
} from '@levamen/core/house/details';
import { parse } from 'papaparse';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { Textarea } from 'primeng/textarea';
import { JobsApi, problemText } from '../../data/jobs-api';
import { PanelEdits } from './panel-edits';
import { pickedFile } from '../../ui/picked-file';

const maxFileBytes = 5_000_000;

/** Circuits from a spreadsheet, a CSV or an XLSX file: looked at, mapped, then taken. */
@Component({
  selector: 'lv-import-circuits-dialog',
  imports: [Button, Dialog, FormsModule, Textarea],
  templateUrl: './import-circuits-dialog.html',
  styleUrl: './import-circuits-dialog.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ImportCircuitsDialog {
  private readonly api = inject(JobsApi);
  private readonly edits = inject(PanelEdits);

  readonly panel = input.required<Panel>();
  readonly text = input('');
  readonly closed = output();
  /** First space of what was taken. */
  readonly imported = output<number>();

  protected readonly typed = linkedSignal(() => this.text());
  private readonly sheet = signal<readonly (readonly string[])[] | null>(null);
  protected readonly problem = signal('');
  protected readonly columnChoices = circuitColumns.map((value) => ({
    value,
    label: circuitColumnLabels[value],
  }));

  private readonly cells = computed((): readonly (readonly string[])[] => {
    const sheet = this.sheet();
    if (sheet) return sheet;
    const text = this.typed().trim();
    return text === '' ? [] : parse<string[]>(text, { skipEmptyLines: false }).data;
  });
  private readonly guess = computed(() => guessCircuitColumns(this.cells()));
  protected readonly columns = linkedSignal(() => this.guess().columns);
  protected readonly hasHeadings = linkedSignal(() => this.guess().hasHeadings);
  protected readonly heads = computed(() =>
    this.columns().map((column, index) => ({
      index,
      column,
      sample: this.cells().find((row) => (row[index] ?? '') !== '')?.[index] ?? '',
    })),
  );
  protected readonly read = computed(() =>
    readCircuitRows(this.cells(), this.panel(), this.columns(), this.hasHeadings(), () =>
      crypto.randomUUID(),
    ),
  );
  protected readonly preview = computed(() =>
    this.read().rows.map(({ row, circuit, problems }) => ({
      row,
      problems: problems.join('; '),
      text: circuit ? `space ${spacesText(circuit)}: ${circuitEntryText(circuit)}` : '',
    })),
  );
  protected readonly circuits = computed(() => this.read().rows.flatMap(({ circuit }) => circuit ?? []));
  protected readonly refused = computed(
    () => this.preview().filter(({ problems }) => problems !== '').length,
  );

  /** Says what a column holds; '' leaves it out. Another column that held the same gives it up. */
  protected map(index: number, text: string): void {
    const column = circuitColumns.find((one) => one === text) ?? null;
    this.columns.update((columns) =>
      columns.map((present, i) => (i === index ? column : present === column ? null : present)),
    );
  }

  protected onText(text: string): void {
    this.sheet.set(null);
    this.typed.set(text);
  }

  protected async pick(event: Event): Promise<void> {
    const file = pickedFile(event);
    this.problem.set('');
    if (!file) return;
    if (file.size > maxFileBytes) {
      this.problem.set(`${file.name} is larger than ${maxFileBytes / 1e6} MB. Choose a list of circuits.`);
    } else if (/\.xlsx$/i.test(file.name)) {
      this.api.readTable(file).subscribe({
        next: (cells) => this.sheet.set(cells),
        error: (error: unknown) => this.problem.set(problemText(error)),
      });
    } else this.onText(await file.text());
  }

  protected take(): void {
    const circuits = this.circuits();
    this.edits.addCircuits(this.panel(), circuits, `import of ${circuits.length} circuits`);
    this.imported.emit(circuits[0]?.spaces[0] ?? 1);
  }
}
