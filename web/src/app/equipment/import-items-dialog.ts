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
import { type Item, type ItemKind, itemKindNames, itemKinds } from '@levamen/core/equipment';
import { columnMeanings, readItemFile, type ReadItems, readItemTable } from '@levamen/core/equipment/details';
import { sameValue } from '@levamen/core/base';
import { parse } from 'papaparse';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { Textarea } from 'primeng/textarea';
import { JobsApi, problemText } from '../data/jobs-api';
import { type Choice, ChoiceField } from '../ui/choice-field';
import { pickedFile } from '../ui/picked-file';

const maxFileBytes = 20_000_000;
/** More rows of mistakes than these help nobody at once. */
const shownProblems = 100;

/** What is looked at: a file of this program, or the cells of a table. */
type Source =
  | { readonly kind: 'file'; readonly text: string }
  | { readonly kind: 'table'; readonly rows: readonly (readonly string[])[] };

const cellsOf = (text: string): string[][] =>
  parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false }).data;

/** Items from CSV, XLSX or JSON: looked at, then taken as drafts. */
@Component({
  selector: 'lv-import-items-dialog',
  imports: [Button, ChoiceField, Dialog, FormsModule, Textarea],
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
  private readonly fromFile = signal<Source | null>(null);
  private readonly source = computed((): Source | null => {
    const file = this.fromFile();
    if (file) return file;
    const text = this.text().trim();
    if (text === '') return null;
    return /^[{[]/.test(text) ? { kind: 'file', text } : { kind: 'table', rows: cellsOf(text) };
  });
  /** What columns mean that are called otherwise, by their heading; another table begins with none. */
  private readonly meant = linkedSignal<Source | null, ReadonlyMap<string, string>>({
    source: this.source,
    computation: () => new Map(),
  });
  protected readonly usualKind = linkedSignal<Source | null, ItemKind | null>({
    source: this.source,
    computation: () => null,
  });
  protected readonly read = computed((): ReadItems | null => {
    const source = this.source();
    if (!source) return null;
    return source.kind === 'file'
      ? readItemFile(source.text)
      : readItemTable(source.rows, { columns: this.meant(), kind: this.usualKind() });
  });
  protected readonly isTable = computed(() => this.source()?.kind === 'table');
  protected readonly kindChoices: Choice<ItemKind>[] = itemKindNames.map((value) => ({
    value,
    label: itemKinds[value].label,
  }));
  protected readonly meanings: Choice<string>[] = [
    { value: '', label: 'nothing: left out' },
    ...columnMeanings().map((label) => ({ value: label, label })),
  ];
  /** Columns whose names are not known, and those somebody has explained. */
  protected readonly columns = computed(() => {
    const meant = this.meant();
    const left = this.read()?.leftOut ?? [];
    return [...new Set([...meant.keys(), ...left])].map((heading) => ({
      heading,
      means: meant.get(heading) ?? '',
    }));
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
    const file = pickedFile(event);
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
        next: (rows) => this.fromFile.set({ kind: 'table', rows }),
        error: (error: unknown) => this.problem.set(problemText(error)),
      });
      return;
    }
    const text = await file.text();
    this.fromFile.set(
      /\.json$/i.test(file.name) ? { kind: 'file', text } : { kind: 'table', rows: cellsOf(text) },
    );
  }

  protected explain(heading: string, means: string | null): void {
    const meant = new Map(this.meant());
    if (means === null || means === '') meant.delete(heading);
    else meant.set(heading, means);
    this.meant.set(meant);
  }

  protected take(): void {
    this.taken.emit([...this.fresh(), ...this.changed()]);
  }
}
