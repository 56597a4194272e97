import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type Item, itemSchema } from '@levamen/core/equipment';
import {
  type CellProblem,
  itemDoubts,
  itemJsonSchema,
  type ReadItems,
  readItemTable,
} from '@levamen/core/equipment/details';
import { sameValue } from '@levamen/core/job';
import { parse } from 'papaparse';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { Textarea } from 'primeng/textarea';
import { JobsApi, problemText } from '../data/jobs-api';

const maxFileBytes = 20_000_000;
/** More rows of mistakes than these help nobody at once. */
const shownProblems = 100;

/** Items of a file of this program; the good ones are kept. */
function readJson(text: string): ReadItems {
  const problem = (message: string, row = 1): ReadItems => ({
    items: [],
    problems: [{ row, column: '', message }],
    leftOut: [],
  });
  let file: unknown;
  try {
    file = JSON.parse(text);
  } catch {
    return problem('This is not JSON. Choose a file of equipment that ends in .json, .csv or .xlsx.');
  }
  const listed = Array.isArray(file) ? file : (file as { items?: unknown } | null)?.items;
  if (!Array.isArray(listed))
    return problem(`There is no list “items” in it. ${String(itemJsonSchema()['title'])} has one.`);
  const items: Item[] = [];
  const problems: CellProblem[] = [];
  (listed as unknown[]).forEach((one, index) => {
    const read = itemSchema.safeParse(one);
    if (!read.success)
      for (const { path, message } of read.error.issues.slice(0, 5))
        problems.push({ row: index + 1, column: path.join('.'), message });
    else {
      const refused = itemDoubts(read.data).filter(({ refuses }) => refuses);
      for (const { path, message } of refused) problems.push({ row: index + 1, column: path, message });
      if (refused.length === 0) items.push(read.data);
    }
  });
  return { items, problems, leftOut: [] };
}

/** Items from CSV, XLSX or JSON: looked at, then taken as drafts. */
@Component({
  selector: 'lv-import-items-dialog',
  imports: [Button, Dialog, FormsModule, Textarea],
  templateUrl: './import-items-dialog.html',
  styleUrls: ['../ui/file-button.css', './import-items-dialog.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ImportItemsDialog {
  private readonly api = inject(JobsApi);
  readonly kept = input.required<readonly Item[]>();
  readonly closed = output();
  readonly taken = output<readonly Item[]>();

  protected readonly text = signal('');
  protected readonly problem = signal('');
  protected readonly fileName = signal('');
  private readonly fromFile = signal<ReadItems | null>(null);
  protected readonly read = computed((): ReadItems | null => {
    const file = this.fromFile();
    if (file) return file;
    const text = this.text().trim();
    if (text === '') return null;
    return text.startsWith('{') || text.startsWith('[')
      ? readJson(text)
      : readItemTable(parse<string[]>(text, { skipEmptyLines: false }).data);
  });
  private readonly byId = computed(() => new Map(this.kept().map((item) => [item.id, item])));
  protected readonly fresh = computed(
    () => this.read()?.items.filter(({ id }) => !this.byId().has(id)) ?? [],
  );
  protected readonly changed = computed(
    () =>
      this.read()?.items.filter((item) => {
        const before = this.byId().get(item.id);
        return before !== undefined && !sameValue(before, item);
      }) ?? [],
  );
  protected readonly problems = computed(() => this.read()?.problems.slice(0, shownProblems) ?? []);
  protected readonly wrongRows = computed(() => new Set(this.read()?.problems.map(({ row }) => row)).size);
  protected readonly summary = computed(() => {
    const read = this.read();
    if (!read) return '';
    const same = read.items.length - this.fresh().length - this.changed().length;
    return [
      `${this.fresh().length} new`,
      `${this.changed().length} changed`,
      `${same} as they are`,
      `${this.wrongRows()} rows with mistakes, which are left out`,
    ].join(' · ');
  });

  protected onText(text: string): void {
    this.fromFile.set(null);
    this.fileName.set('');
    this.text.set(text);
  }

  protected async pick(event: Event): Promise<void> {
    const picker = event.target as HTMLInputElement;
    const file = picker.files?.[0];
    picker.value = '';
    this.problem.set('');
    if (!file) return;
    if (file.size > maxFileBytes) {
      this.problem.set(`${file.name} is larger than ${maxFileBytes / 1e6} MB. Choose a list of equipment.`);
      return;
    }
    this.fileName.set(file.name);
    this.text.set('');
    if (/\.xlsx$/i.test(file.name)) {
      this.api.readTable(file).subscribe({
        next: (cells) => this.fromFile.set(readItemTable(cells)),
        error: (error: unknown) => this.problem.set(problemText(error)),
      });
      return;
    }
    const text = await file.text();
    const isJson = /\.json$/i.test(file.name);
    this.fromFile.set(
      isJson
        ? readJson(text)
        : readItemTable(parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false }).data),
    );
  }

  protected take(): void {
    this.taken.emit([...this.fresh(), ...this.changed()]);
  }
}
