import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  model,
  output,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { quantityText } from '@levamen/core/base';
import type { Season } from '@levamen/core/nature';
import { dailyEnergyWh, kindFacts, type TypicalLoad } from '@levamen/core/house';
import {
  libraryFor,
  type PasteColumn,
  readPastedLoads,
  type StarterSet,
  starterSets,
  startText,
} from '@levamen/core/house/details';
import type { Plan } from '@levamen/core/design';
import { parse } from 'papaparse';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { Textarea } from 'primeng/textarea';
import { LoadEdits } from './load-edits';
import { PasteGrid } from './paste-grid';

export type AddWay = 'library' | 'houses' | 'paste';

const titles: Readonly<Record<AddWay, string>> = {
  library: 'Typical loads',
  houses: 'Typical houses',
  paste: 'Rows from a spreadsheet',
};

/** Adds many loads at once: from the library, as a typical house, or pasted. */
@Component({
  selector: 'lv-add-loads-dialog',
  imports: [Button, Dialog, FormsModule, InputText, PasteGrid, Textarea],
  templateUrl: './add-loads-dialog.html',
  styleUrl: './add-loads-dialog.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AddLoadsDialog {
  private readonly edits = inject(LoadEdits);

  readonly way = model<AddWay | null>(null);
  readonly plan = input.required<Plan>();
  readonly season = input.required<Season>();
  readonly text = model('');
  /** Id of the last load that was added. */
  readonly added = output<string>();

  protected readonly title = computed(() => titles[this.way() ?? 'library']);
  protected readonly query = signal('');
  protected readonly taken = signal<readonly string[]>([]);
  protected readonly houses = starterSets;
  protected readonly library = computed(() => {
    const wanted = this.query().trim().toLowerCase();
    return libraryFor(this.plan().supply.system)
      .filter((entry) => `${entry.name} ${kindFacts[entry.kind].label}`.toLowerCase().includes(wanted))
      .map((entry) => ({
        entry,
        kind: kindFacts[entry.kind].label,
        power: `${entry.quantity > 1 ? `${entry.quantity} × ` : ''}${quantityText(entry.runningPowerW, 'W')}`,
        energy: quantityText(dailyEnergyWh(entry, this.season()), 'Wh'),
        start: startText(entry.start),
      }));
  });
  /** The cells as they were pasted, and as they are corrected. */
  protected readonly cells = linkedSignal((): readonly (readonly string[])[] => {
    const text = this.text().trim();
    if (text === '') return [];
    // Between tabs a comma groups thousands.
    const delimiter = text.includes('\t') ? '\t' : '';
    return parse<string[]>(text, { delimiter, skipEmptyLines: 'greedy' }).data;
  });
  /** What the columns hold, where somebody has said it. */
  protected readonly said = linkedSignal<string, readonly (PasteColumn | null)[] | null>({
    source: this.text,
    computation: () => null,
  });
  protected readonly pasted = computed(() =>
    this.way() === 'paste' && this.cells().length > 0
      ? readPastedLoads(this.cells(), this.plan(), () => crypto.randomUUID(), this.said())
      : null,
  );
  protected readonly readable = computed(
    () => this.pasted()?.rows.flatMap(({ load }) => (load ? [load] : [])) ?? [],
  );
  protected readonly ignored = computed(() => this.pasted()?.ignored.join(', ') ?? '');
  protected readonly noRoom = computed(() => this.plan().loads.length + this.readable().length > 500);

  protected take(entry: TypicalLoad): void {
    const id = this.edits.addTypical([entry], entry.name);
    if (id === null) return;
    this.taken.update((taken) => [...taken, entry.name]);
    this.added.emit(id);
  }

  protected takeHouse(set: StarterSet): void {
    this.finish(this.edits.addStarterSet(set));
  }

  protected takePasted(): void {
    const loads = this.readable();
    this.finish(this.edits.addAll(loads, `pasting ${loads.length} loads`));
    this.text.set('');
  }

  protected close(): void {
    this.way.set(null);
    this.taken.set([]);
    this.query.set('');
  }

  private finish(id: string | null): void {
    if (id !== null) this.added.emit(id);
    this.close();
  }
}
