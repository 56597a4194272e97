import { CdkDrag, CdkDropList, CdkDropListGroup, type CdkDragDrop } from '@angular/cdk/drag-drop';
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
} from '@angular/core';

import { type BenchItem, type Lane, lanes } from '@levamen/core/design';
import { inPieces } from '../../ui/in-pieces';
import { alikeRows, type BenchRow, type LaneView } from './bench-view';
import { laneFacts } from './lane-facts';

/** What should move where. */
export interface Move {
  readonly items: readonly BenchItem[];
  readonly lane: Lane;
}

/**
 * The circuits in their lanes. Arrows walk, Shift with arrows and Space choose several, O S H D or Alt with arrows move what is
 * chosen, or it is dragged.
 */
@Component({
  selector: 'lv-bench',
  imports: [CdkDrag, CdkDropList, CdkDropListGroup],
  templateUrl: './bench.html',
  styleUrl: './bench.css',
  host: { '(keydown)': 'onKey($event)', '(click)': 'onClick($event)', '[class.many]': 'rows().length > 100' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Bench {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  readonly view = input.required<readonly LaneView[]>();
  /** Ids of the chosen rows. */
  readonly chosen = model<readonly string[]>([]);
  readonly moved = output<Move>();

  protected readonly rows = computed(() => this.view().flatMap(({ rows }) => rows));
  /** The row the keyboard is on. */
  protected readonly active = linkedSignal<readonly BenchRow[], string>({
    source: this.rows,
    computation: (rows, previous) =>
      rows.find(({ item }) => item.id === previous?.value)?.item.id ?? rows[0]?.item.id ?? '',
  });
  private readonly drawn = inPieces(
    this.rows,
    { keyOf: ({ item }) => item.id, alike: alikeRows },
    this.active,
  );
  /** The lanes with the rows that are drawn by now. */
  protected readonly drawnView = computed((): readonly LaneView[] => {
    const drawn = new Map(this.drawn().map((row) => [row.item.id, row]));
    return this.view().map((lane) => ({
      ...lane,
      rows: lane.rows.flatMap(({ item }) => drawn.get(item.id) ?? []),
    }));
  });
  protected readonly isChosen = computed(() => new Set(this.chosen()));
  private anchor = '';
  private wantsFocus = false;

  constructor() {
    afterRenderEffect(() => {
      const id = this.active();
      this.drawnView();
      if (!this.wantsFocus) return;
      this.wantsFocus = false;
      this.focusRow(id);
    });
  }

  /** Chooses one row and puts the focus on it. */
  show(id: string): void {
    this.wantsFocus = true;
    this.active.set(id);
    this.chosen.set([id]);
  }

  protected onClick(event: MouseEvent): void {
    const id = (event.target as HTMLElement).closest<HTMLElement>('[data-item]')?.dataset['item'];
    if (id === undefined) return;
    this.active.set(id);
    if (event.shiftKey && this.anchor !== '') this.chooseTo(id);
    else if (event.ctrlKey || event.metaKey) this.toggle(id);
    else this.chosen.set([id]);
    if (!event.shiftKey) this.anchor = id;
  }

  protected onDropped({ item, container }: CdkDragDrop<Lane, Lane, BenchItem>): void {
    const dragged: BenchItem = item.data;
    this.active.set(dragged.id);
    const ids = this.isChosen().has(dragged.id) ? this.chosen() : [dragged.id];
    this.moved.emit({ items: this.items(ids), lane: container.data });
  }

  protected onKey(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey) {
      if (event.key.toLowerCase() !== 'a') return;
      event.preventDefault();
      this.chosen.set(this.rows().map(({ item }) => item.id));
      return;
    }
    const down = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (down !== undefined && event.altKey) {
      event.preventDefault();
      this.shift(down);
    } else if (down !== undefined) {
      event.preventDefault();
      this.step(down, event.shiftKey);
    } else if (event.key === 'Home' || event.key === 'End') {
      event.preventDefault();
      this.step(event.key === 'Home' ? -Infinity : Infinity, event.shiftKey);
    } else if (event.key === ' ') {
      event.preventDefault();
      this.toggle(this.active());
    } else {
      const lane = lanes.find((one) => laneFacts[one].key === event.key.toUpperCase());
      if (!lane) return;
      event.preventDefault();
      event.stopPropagation();
      this.move(lane);
    }
  }

  private step(by: number, extend: boolean): void {
    const rows = this.rows();
    const at = rows.findIndex(({ item }) => item.id === this.active());
    const next = rows[Math.max(0, Math.min(rows.length - 1, at + by))]?.item.id;
    if (next === undefined) return;
    if (extend && this.anchor === '') this.anchor = this.active();
    this.wantsFocus = true;
    this.active.set(next);
    if (extend) this.chooseTo(next);
    else {
      this.anchor = next;
      this.chosen.set([next]);
    }
    // The signal may stand already; the focus still has to follow.
    this.focusRow(next);
  }

  /** To the lane above or below that of the active row. */
  private shift(by: number): void {
    const row = this.rows().find(({ item }) => item.id === this.active());
    const lane = row && lanes[lanes.indexOf(row.item.lane) + by];
    if (lane) this.move(lane);
  }

  private move(lane: Lane): void {
    const ids = this.isChosen().has(this.active()) ? this.chosen() : [this.active()];
    this.wantsFocus = true;
    this.moved.emit({ items: this.items(ids), lane });
  }

  private toggle(id: string): void {
    this.chosen.update((ids) => (ids.includes(id) ? ids.filter((one) => one !== id) : [...ids, id]));
  }

  private chooseTo(id: string): void {
    const ids = this.rows().map(({ item }) => item.id);
    const [from, to] = [ids.indexOf(this.anchor), ids.indexOf(id)].toSorted((a, b) => a - b);
    this.chosen.set(ids.slice(from, to! + 1));
  }

  private items(ids: readonly string[]): BenchItem[] {
    return this.rows()
      .filter(({ item }) => ids.includes(item.id))
      .map(({ item }) => item);
  }

  private focusRow(id: string): void {
    const row = this.host.nativeElement.querySelector<HTMLElement>(`[data-item="${CSS.escape(id)}"]`);
    row?.focus();
    row?.scrollIntoView({ block: 'nearest' });
  }
}
