import type { Presence } from '@levamen/core/design';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  linkedSignal,
  model,
  output,
  signal,
} from '@angular/core';
import { quantityText } from '@levamen/core/base';
import type { Load } from '@levamen/core/house';
import type { LoadEffect } from '@levamen/core/study/details';
import { inPieces } from '../../ui/in-pieces';
import { cellText, columnsFor, costText, writeCell, type CellContext, type ColumnKey } from './load-columns';
import { LoadEdits } from './load-edits';
import { LoadRow, type LoadCell, type LoadRowView } from './load-row';

interface RowInputs {
  readonly loads: readonly Load[];
  readonly presences: ReadonlyMap<string, Presence>;
  readonly effects: ReadonlyMap<string, LoadEffect>;
  readonly context: CellContext;
  readonly rejected: ReadonlyMap<string, Rejected>;
}

/** Text that could not be taken stays in its cell until it is mended or given up. */
interface Rejected {
  readonly text: string;
  readonly message: string;
}

const cellKey = (loadId: string, key: ColumnKey): string => `${loadId} ${key}`;

/** The loads as a table that is edited like a spreadsheet. */
@Component({
  selector: 'lv-loads-table',
  imports: [LoadRow],
  templateUrl: './loads-table.html',
  styleUrl: './loads-table.css',
  host: {
    '(mousedown)': 'pick($event)',
    '(click)': 'onClick($event)',
    '(dblclick)': 'onDoubleClick($event)',
    '(keydown)': 'onKey($event)',
    '(paste)': 'onPaste($event)',
  },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LoadsTable {
  private readonly edits = inject(LoadEdits);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  readonly loads = input.required<readonly Load[]>();
  /** What becomes of each load, by its id. */
  readonly presences = input.required<ReadonlyMap<string, Presence>>();
  readonly effects = input.required<ReadonlyMap<string, LoadEffect>>();
  readonly context = input.required<CellContext>();
  /** Id of the load whose row is active. */
  readonly active = model<string | null>(null);
  /** Rows were pasted: the text, to be looked at before it is taken. */
  readonly pasted = output<string>();

  protected readonly columns = computed(() => columnsFor(this.context().survey));
  protected readonly activeColumn = signal(1);
  protected readonly editing = signal(false);
  protected readonly draft = signal('');
  private readonly rejected = signal<ReadonlyMap<string, Rejected>>(new Map());

  protected readonly activeRow = computed(() => {
    const index = this.loads().findIndex(({ id }) => id === this.active());
    return index < 0 ? 0 : index;
  });
  protected readonly rows = linkedSignal<RowInputs, readonly LoadRowView[]>({
    source: () => ({
      loads: this.loads(),
      presences: this.presences(),
      effects: this.effects(),
      context: this.context(),
      rejected: this.rejected(),
    }),
    computation: ({ loads, presences, effects, context, rejected }, previous) => {
      const before = new Map(previous?.value.map((row) => [row.load, row]));
      return loads.map((load): LoadRowView => {
        const effect = effects.get(load.id);
        const cells = this.columns().map((column): LoadCell => {
          const refused = rejected.get(cellKey(load.id, column.key));
          return {
            column,
            text: refused?.text ?? this.textOf(load, effect, column.key, context),
            rejected: refused?.message ?? '',
          };
        });
        const same = before.get(load);
        const unchanged = same?.cells.every(
          ({ text, rejected: refused }, c) => text === cells[c]!.text && refused === cells[c]!.rejected,
        );
        const presence = presences.get(load.id) ?? 'dark';
        return same?.presence === presence && unchanged ? same : { load, presence, cells };
      });
    },
  });
  protected readonly activeId = computed(() => this.loads()[this.activeRow()]?.id ?? null);
  protected readonly drawn = inPieces(this.rows, { keyOf: ({ load }) => load.id }, this.activeId);
  /** Message of the active cell, shown below the table and read out. */
  protected readonly message = computed(() => {
    const cell = this.rows()[this.activeRow()]?.cells[this.activeColumn()];
    return cell ? cell.rejected : '';
  });
  /** Something was written into the open cell. */
  private touched = false;
  private wantsFocus = false;
  /** Escape was pressed beside an editor: Tab leaves the table now, instead of going on to the next cell. */
  private leaves = false;
  /** Editing with Enter selects what is there; editing by typing goes on after what was typed. */
  private selectAll = false;

  constructor() {
    // After the drawing, never before: the active cell must be the one that is on the screen.
    afterRenderEffect(() => {
      this.activeRow();
      this.activeColumn();
      this.editing();
      this.drawn();
      if (this.wantsFocus) this.focusActive();
    });
  }

  /** Makes a load's row active and moves the focus there. */
  focusLoad(id: string, columnKey: ColumnKey = 'name'): void {
    this.wantsFocus = true;
    this.editing.set(false);
    this.activeColumn.set(this.columns().findIndex(({ key }) => key === columnKey));
    this.active.set(id);
  }

  protected pick(event: Event): void {
    const place = this.placeOf(event);
    if (!place) return;
    if (this.editing() && place.row === this.activeRow() && place.column === this.activeColumn()) return;
    this.finish();
    this.moveTo(place.row, place.column);
  }

  protected onClick(event: Event): void {
    const place = this.placeOf(event);
    const load = place && this.loads()[place.row];
    if (load && this.columns()[place.column]!.kind === 'toggle') this.edits.toggle(load);
  }

  protected onDoubleClick(event: Event): void {
    if (this.placeOf(event) && !this.editing()) this.startEdit();
  }

  protected onKey(event: KeyboardEvent): void {
    if (this.editing()) this.onEditKey(event);
    else this.onMoveKey(event);
  }

  protected startEdit(text?: string): void {
    const row = this.activeRow();
    const load = this.loads()[row];
    const column = this.columns()[this.activeColumn()]!;
    if (!load) return;
    if (column.kind === 'toggle') {
      this.edits.toggle(load);
      return;
    }
    if (column.kind === 'computed') return;
    this.touched = text !== undefined;
    this.draft.set(text ?? this.rows()[row]!.cells[this.activeColumn()]!.text.replace(/^~ /, ''));
    this.selectAll = text === undefined;
    this.wantsFocus = true;
    this.editing.set(true);
  }

  protected onTyped(text: string): void {
    this.touched = true;
    this.draft.set(text);
  }

  protected onChoice(text: string): void {
    this.onTyped(text);
    this.finish();
    this.wantsFocus = true;
  }

  /** The focus went elsewhere; an editor that is taken away after Enter or Tab loses it too and is not meant. */
  protected leave(): void {
    if (!this.editing()) return;
    this.wantsFocus = false;
    this.finish();
  }

  protected onPaste(event: ClipboardEvent): void {
    if (this.editing()) return;
    const text = event.clipboardData?.getData('text/plain') ?? '';
    if (text.trim() === '') return;
    event.preventDefault();
    if (/[\t\n;]/.test(text.trim())) {
      this.pasted.emit(text);
      return;
    }
    this.startEdit(text.trim());
    this.finish();
  }

  /** Row and column of the cell an event came from. */
  private placeOf(event: Event): { readonly row: number; readonly column: number } | null {
    const cell = event.target instanceof Element ? event.target.closest<HTMLElement>('td') : null;
    const id = cell?.closest<HTMLElement>('tr')?.dataset['load'];
    const row = this.loads().findIndex((load) => load.id === id);
    return cell && row >= 0 ? { row, column: Number(cell.dataset['column']) } : null;
  }

  private textOf(load: Load, effect: LoadEffect | undefined, key: ColumnKey, context: CellContext): string {
    if (key === 'energy') return effect ? quantityText(effect.energyWhPerDay, 'Wh') : '–';
    if (key === 'cost') {
      return `${effect?.runtimeRough ? '≈ ' : ''}${costText(effect?.runtimeCostH ?? null)}`;
    }
    if (key === 'legs' && load.legsAssumed) return `~ ${load.legs}`;
    return cellText(load, key, context);
  }

  /** Takes the text that is being edited, or keeps it beside a message. */
  private finish(): boolean {
    if (!this.editing()) return true;
    this.editing.set(false);
    const load = this.loads()[this.activeRow()];
    const { key } = this.columns()[this.activeColumn()]!;
    if (!load) return true;
    const place = cellKey(load.id, key);
    const text = this.draft();
    // Looking at a guess does not confirm it; writing it again does.
    if (!this.touched && !this.rejected().has(place)) return true;
    if (text === cellText(load, key, this.context()) && !(key === 'legs' && load.legsAssumed)) {
      this.forget(place);
      return true;
    }
    const result = writeCell(load, key, text, this.context());
    if (result.ok) {
      this.forget(place);
      this.edits.replace(result.load);
      return true;
    }
    this.rejected.update((all) => new Map(all).set(place, { text, message: result.message }));
    return false;
  }

  private forget(place: string): void {
    this.rejected.update((all) => {
      const rest = new Map(all);
      rest.delete(place);
      return rest;
    });
  }

  private onEditKey(event: KeyboardEvent): void {
    if (event.key === 'Enter' || event.key === 'Tab') {
      event.preventDefault();
      this.wantsFocus = true;
      const taken = this.finish();
      this.keepFocus(event);
      if (!taken) return;
      if (event.key === 'Enter')
        this.moveTo(this.activeRow() + (event.shiftKey ? -1 : 1), this.activeColumn());
      else this.walk(event.shiftKey);
    } else if (event.key === 'Escape') {
      event.stopPropagation();
      const load = this.loads()[this.activeRow()];
      if (load) this.forget(cellKey(load.id, this.columns()[this.activeColumn()]!.key));
      this.wantsFocus = true;
      this.editing.set(false);
      this.keepFocus(event);
    } else if (
      event.key.length === 1 &&
      !event.ctrlKey &&
      !event.metaKey &&
      event.target instanceof HTMLTableCellElement
    ) {
      // Typed faster than the editor could take the focus.
      event.preventDefault();
      this.onTyped(this.draft() + event.key);
    }
  }

  /** The editor goes away with the next drawing; keys pressed before that must not get lost. */
  private keepFocus(event: KeyboardEvent): void {
    if (event.target instanceof Element) event.target.closest<HTMLElement>('td')?.focus();
  }

  /** In the order of reading; false where there is no cell further on. */
  private walk(back: boolean): boolean {
    const columns = this.columns().length;
    const place = this.activeRow() * columns + this.activeColumn() + (back ? -1 : 1);
    if (place < 0 || place >= this.loads().length * columns) return false;
    this.moveTo(Math.floor(place / columns), place % columns);
    return true;
  }

  private onMoveKey(event: KeyboardEvent): void {
    const row = this.activeRow();
    const column = this.activeColumn();
    const load = this.loads()[row];
    const last = this.columns().length - 1;
    const command = event.ctrlKey || event.metaKey;
    const moves: Partial<Record<string, readonly [number, number]>> = {
      ArrowDown: [row + 1, column],
      ArrowUp: [row - 1, column],
      ArrowRight: [row, column + 1],
      ArrowLeft: [row, column - 1],
      PageDown: [row + 10, column],
      PageUp: [row - 10, column],
      Home: command ? [0, 0] : [row, 0],
      End: command ? [this.loads().length - 1, last] : [row, last],
    };
    const move = moves[event.key];
    if (move) {
      event.preventDefault();
      this.moveTo(...move);
    } else if (event.key === 'Escape') {
      this.leaves = true;
    } else if (event.key === 'Tab') {
      if (!this.leaves && this.walk(event.shiftKey)) event.preventDefault();
    } else if (event.key === 'Enter' || event.key === 'F2') {
      event.preventDefault();
      this.startEdit();
    } else if (event.key === ' ' && load) {
      event.preventDefault();
      this.edits.toggle(load);
    } else if (event.key === 'Insert') {
      event.preventDefault();
      this.show(this.edits.addBlank(load?.id ?? null));
    } else if (command && event.key.toLowerCase() === 'd' && load) {
      event.preventDefault();
      this.show(this.edits.duplicate(load));
    } else if (event.key === 'Delete' && load) {
      event.preventDefault();
      const next = this.loads()[row + 1] ?? this.loads()[row - 1];
      this.edits.remove(load);
      if (next) this.focusLoad(next.id, this.columns()[column]!.key);
    } else if (event.key.length === 1 && !command && !event.altKey) {
      if (this.columns()[column]!.kind !== 'text') return;
      event.preventDefault();
      event.stopPropagation();
      this.startEdit(event.key);
    }
  }

  private show(id: string | null): void {
    if (id !== null) this.focusLoad(id);
  }

  private moveTo(row: number, column: number): void {
    const load = this.loads()[Math.min(this.loads().length - 1, Math.max(0, row))];
    this.wantsFocus = true;
    this.leaves = false;
    this.editing.set(false);
    this.activeColumn.set(Math.min(this.columns().length - 1, Math.max(0, column)));
    this.active.set(load?.id ?? null);
  }

  private focusActive(): void {
    this.wantsFocus = false;
    const cell = this.host.nativeElement.querySelector<HTMLElement>('[data-active]');
    const editor = cell?.querySelector<HTMLElement>('input, select');
    (editor ?? cell)?.focus();
    if (editor instanceof HTMLInputElement) {
      editor.setSelectionRange(this.selectAll ? 0 : editor.value.length, editor.value.length);
    }
    cell?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }
}
