import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { amountSchema } from '@levamen/core/base';
import { itemKinds } from '@levamen/core/equipment';
import {
  type PriceBook,
  type PriceList,
  priceListSchema,
  emptyPriceList,
  readPriceTable,
  type ReadPrices,
  type Task,
  taskLabels,
  tasks,
  withPrices,
} from '@levamen/core/offer';
import { parse } from 'papaparse';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Textarea } from 'primeng/textarea';
import { JobsApi, problemText } from '../data/jobs-api';
import { AmountField } from '../ui/amount-field';
import { type Choice, ChoiceField } from '../ui/choice-field';
import { PlaceHeader } from '../ui/place-header';
import { type Form, formOf } from '../ui/form';
import { FormField } from '../ui/form-field';
import { MoneyField } from '../ui/money-field';
import { AddedMoney } from './added-money';
import { PriceState } from './price-state';
import { pickedFile } from '../ui/picked-file';

/** Rows drawn at once; more are found by searching. */
const mostRows = 120;
const supplierFields = ['supplier', 'dated', 'currency', 'rate', 'discount', 'leadDays'] as const;

const currencyChoices = ((): readonly Choice<string>[] => {
  const names = new Intl.DisplayNames('en', { type: 'currency' });
  return Intl.supportedValuesOf('currency').map((value) => ({
    value,
    label: `${value} ${names.of(value) ?? ''}`,
  }));
})();

/** What the company's goods and work cost, and what is added to them. */
@Component({
  selector: 'lv-prices-page',
  imports: [
    AddedMoney,
    AmountField,
    Button,
    ChoiceField,
    FormField,
    FormsModule,
    InputText,
    MoneyField,
    Textarea,
    PlaceHeader,
  ],
  providers: [PriceState],
  templateUrl: './prices-page.html',
  styleUrls: ['../ui/file-button.css', './equipment-page.css', './prices-page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PricesPage {
  protected readonly state = inject(PriceState);
  private readonly api = inject(JobsApi);

  protected readonly currencyChoices = currencyChoices;
  protected readonly supplierFields = supplierFields;
  protected readonly hours = amountSchema(0, 500, 'h');
  protected readonly share = amountSchema(0, 0.95);
  protected readonly profitChoices: readonly Choice<'markup' | 'margin'>[] = [
    { value: 'markup', label: 'markup, on the cost' },
    { value: 'margin', label: 'margin, of the price' },
  ];
  protected readonly search = signal('');
  protected readonly said = signal('');
  protected readonly pasted = signal('');
  protected readonly pastedFor = signal('');
  protected readonly fileProblem = signal('');
  private readonly fromFile = signal<readonly (readonly string[])[] | null>(null);

  protected readonly book = this.state.book;
  protected readonly lists = computed(() =>
    this.book().lists.map((list) => ({ list, form: this.formOfList(list) })),
  );
  private readonly found = computed(() => {
    const words = this.search().toLowerCase().split(/\s+/).filter(Boolean);
    return this.state
      .items()
      .filter(({ name, line, articleNumber, kind }) =>
        words.every((word) =>
          `${name} ${line} ${articleNumber} ${itemKinds[kind].label}`.toLowerCase().includes(word),
        ),
      );
  });
  protected readonly hiddenCount = computed(() => Math.max(0, this.found().length - mostRows));
  protected readonly rows = computed(() => {
    const lists = this.book().lists.map(({ id, supplier, prices }) => ({
      id,
      supplier,
      byItem: new Map(prices.map(({ itemId, net }) => [itemId, net])),
    }));
    return this.found()
      .slice(0, mostRows)
      .map(({ id, name, kind }) => ({
        id,
        name,
        kind: itemKinds[kind].label,
        cells: lists.map((list) => ({
          listId: list.id,
          label: `${name}, ${list.supplier}`,
          net: list.byItem.get(id) ?? null,
        })),
      }));
  });
  protected readonly unpriced = computed(() => {
    const priced = new Set(this.book().lists.flatMap(({ prices }) => prices.map(({ itemId }) => itemId)));
    return this.state.items().filter(({ id }) => !priced.has(id)).length;
  });
  protected readonly labour = computed(() => {
    const hours = new Map(this.book().labour.map((one) => [one.task, one.hours]));
    return tasks.map((task) => ({ task, label: taskLabels[task], hours: hours.get(task) ?? 0 }));
  });
  protected readonly read = computed((): ReadPrices | null => {
    const text = this.pasted().trim();
    const rows =
      this.fromFile() ?? (text === '' ? null : parse<string[]>(text, { skipEmptyLines: false }).data);
    return rows && readPriceTable(rows, this.state.items(), this.book(), this.pastedFor().trim());
  });

  protected set(change: Partial<PriceBook>): void {
    this.state.edit((book) => ({ ...book, ...change }));
  }

  protected addList(): void {
    const id = crypto.randomUUID();
    const taken = new Set(this.book().lists.map(({ supplier }) => supplier));
    let supplier = 'Supplier';
    for (let number = 2; taken.has(supplier); number += 1) supplier = `Supplier ${number}`;
    this.set({
      lists: [...this.book().lists, emptyPriceList(id, supplier)],
    });
  }

  protected setList(id: string, change: Partial<PriceList>): void {
    this.set({ lists: this.book().lists.map((list) => (list.id === id ? { ...list, ...change } : list)) });
  }

  protected removeList(id: string): void {
    this.set({ lists: this.book().lists.filter((list) => list.id !== id) });
  }

  protected setPrice(listId: string, itemId: string, net: string | null): void {
    const list = this.book().lists.find(({ id }) => id === listId);
    if (!list) return;
    const others = list.prices.filter((price) => price.itemId !== itemId);
    const index = list.prices.findIndex((price) => price.itemId === itemId);
    const prices =
      net === null
        ? others
        : index < 0
          ? [...list.prices, { itemId, net }]
          : list.prices.map((price) => (price.itemId === itemId ? { itemId, net } : price));
    this.setList(listId, { prices });
  }

  protected setHours(task: Task, hours: number | null): void {
    const others = this.book().labour.filter((one) => one.task !== task);
    this.set({ labour: hours === null || hours === 0 ? others : [...others, { task, hours }] });
  }

  protected async pick(event: Event): Promise<void> {
    const file = pickedFile(event);
    this.fileProblem.set('');
    if (!file) return;
    if (/\.xlsx$/i.test(file.name)) {
      this.api.readTable(file).subscribe({
        next: (cells) => this.fromFile.set(cells),
        error: (error: unknown) => this.fileProblem.set(problemText(error)),
      });
    } else {
      const text = (await file.text()).replace(/^\uFEFF/, '');
      this.fromFile.set(parse<string[]>(text, { skipEmptyLines: false }).data);
    }
  }

  protected onPasted(text: string): void {
    this.fromFile.set(null);
    this.pasted.set(text);
  }

  protected takePrices(read: ReadPrices): void {
    this.state.edit((book) => withPrices(book, read, () => crypto.randomUUID()));
    this.onPasted('');
  }

  protected save(): void {
    this.state.save(this.said().trim() || 'Prices entered');
    this.said.set('');
  }

  private formOfList(list: PriceList): Form<PriceList> {
    return formOf(
      priceListSchema.shape,
      computed(() => list),
      (change) => this.setList(list.id, change),
    );
  }
}
