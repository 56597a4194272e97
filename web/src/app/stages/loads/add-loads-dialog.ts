import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  model,
  output,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { quantityText } from '@levamen/core/base';
import type { Season } from '@levamen/core/nature';
import { dailyEnergyWh, kindFacts, type Load, type TypicalLoad } from '@levamen/core/house';
import {
  libraryFor,
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

export type AddWay = 'library' | 'houses' | 'paste';

const titles: Readonly<Record<AddWay, string>> = {
  library: 'Typical loads',
  houses: 'Typical houses',
  paste: 'Rows from a spreadsheet',
};

/** Adds many loads at once: from the library, as a typical house, or pasted. */
@Component({
  selector: 'lv-add-loads-dialog',
  imports: [Button, Dialog, FormsModule, InputText, Textarea],
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
  protected readonly pasted = computed(() => {
    if (this.way() !== 'paste' || this.text().trim() === '') return null;
    const text = this.text().trim();
    // Between tabs a comma groups thousands.
    const delimiter = text.includes('\t') ? '\t' : '';
    const { data } = parse<string[]>(text, { delimiter, skipEmptyLines: 'greedy' });
    return readPastedLoads(data, this.plan().supply.system, this.plan().loads, () => crypto.randomUUID());
  });
  protected readonly readable = computed(
    () => this.pasted()?.rows.flatMap(({ load }) => (load ? [load] : [])) ?? [],
  );
  protected readonly ignored = computed(() => this.pasted()?.ignored.join(', ') ?? '');
  protected readonly preview = computed(
    () =>
      this.pasted()?.rows.map(({ row, load, problems }) => ({
        row,
        problems: problems.join('; '),
        text: load ? this.describe(load) : '',
      })) ?? [],
  );
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

  private describe(load: Load): string {
    return `${load.quantity} × ${load.name}, ${quantityText(load.runningPowerW, 'W')}, ${load.legsAssumed ? '~ ' : ''}${load.legs}, ${kindFacts[load.kind].label.toLowerCase()}, ${startText(load.start)}, ${load.tier}${load.note === '' ? '' : `; ${load.note}`}`;
  }
}
