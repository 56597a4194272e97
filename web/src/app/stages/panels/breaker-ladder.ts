import { CdkDrag, type CdkDragEnd } from '@angular/cdk/drag-drop';
import { NgTemplateOutlet } from '@angular/common';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  model,
  output,
  signal,
} from '@angular/core';
import { type Circuit, type Panel, spaceAt, spacePlace } from '@levamen/core/house';
import { breakersIn } from '@levamen/core/house/details';
import type { Plan } from '@levamen/core/design';
import { dropSpace } from './drop-space';
import { ladderView } from './ladder-view';
import { PanelEdits } from './panel-edits';

const typed = (event: KeyboardEvent): boolean =>
  event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey;

/**
 * A panel as its legend shows it: spaces in their columns, legs down the rows. Typed like a list: rating and name, Enter,
 * next space.
 */
@Component({
  selector: 'lv-breaker-ladder',
  imports: [CdkDrag, NgTemplateOutlet],
  templateUrl: './breaker-ladder.html',
  styleUrl: './breaker-ladder.css',
  host: { '(keydown)': 'onKey($event)', '(paste)': 'onPaste($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BreakerLadder {
  private readonly edits = inject(PanelEdits);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  readonly plan = input.required<Plan>();
  readonly panel = input.required<Panel>();
  /** Circuits a finding is about. */
  readonly faulty = input.required<ReadonlySet<string>>();
  readonly space = model(1);
  /** Rows were pasted. */
  readonly pasted = output<string>();

  protected readonly rows = computed(() => ladderView(this.plan(), this.panel(), this.faulty()));
  /** The place that is active: a space inside a breaker of more poles stands for the space it begins in. */
  protected readonly active = computed(() => {
    const wanted = Math.min(this.space(), this.panel().spaces);
    const places = this.rows().flatMap(({ left, right }) => [left, right]);
    if (places.some((place) => place?.space === wanted)) return wanted;
    return breakersIn(this.panel(), wanted)[0]?.spaces[0] ?? 1;
  });
  protected readonly editing = signal(false);
  protected readonly draft = signal('');
  protected readonly message = signal('');
  private wantsFocus = false;
  /** How often the focus was asked for: it is to be set then, whether anything else has changed or not. */
  private readonly asked = signal(0);
  /** Escape was pressed: Tab leaves the ladder now, instead of going on to the next space. */
  private leaves = false;
  private selectAll = false;

  constructor() {
    afterRenderEffect(() => {
      this.active();
      this.editing();
      this.rows();
      this.asked();
      if (this.wantsFocus) this.focusActive();
    });
  }

  /** Moves the focus to a space; the one that is chosen already included. */
  focus(space: number): void {
    this.wantsFocus = true;
    this.editing.set(false);
    this.leaves = false;
    this.space.set(space);
    this.asked.update((count) => count + 1);
  }

  protected pick(space: number): void {
    if (space === this.active()) return;
    if (this.finish()) this.focus(space);
  }

  /** Opens the active place for writing; `text` replaces what stands there. */
  startEdit(text?: string): void {
    const entry = this.rows()
      .flatMap(({ left, right }) => [left, right])
      .find((place) => place?.space === this.active())?.entry;
    this.draft.set(text ?? entry ?? '');
    this.selectAll = text === undefined;
    this.message.set('');
    this.wantsFocus = true;
    this.editing.set(true);
  }

  protected leave(): void {
    if (!this.editing()) return;
    this.wantsFocus = false;
    this.finish();
  }

  protected onDropped(event: CdkDragEnd, circuit: Circuit): void {
    const space = dropSpace(event);
    if (space === null || circuit.spaces.includes(space)) return;
    this.moveTo(circuit, space);
  }

  protected onPaste(event: ClipboardEvent): void {
    const text = event.clipboardData?.getData('text/plain') ?? '';
    if (this.editing() || text.trim() === '') return;
    event.preventDefault();
    if (/[\t\n;]/.test(text.trim())) this.pasted.emit(text);
    else this.startEdit(text.trim());
  }

  protected onKey(event: KeyboardEvent): void {
    if (this.editing()) this.onEditKey(event);
    else this.onMoveKey(event);
  }

  /** Takes the text; answers with the panel as it is then, or null where the text stays with a message. */
  private finish(): Panel | null {
    if (!this.editing()) return this.panel();
    const text = this.draft().trim();
    const put = text === '' ? null : this.edits.write(this.panel(), this.active(), text);
    this.message.set(put && !put.ok ? put.message : '');
    if (put && !put.ok) return null;
    this.editing.set(false);
    return put?.panel ?? this.panel();
  }

  private onEditKey(event: KeyboardEvent): void {
    if (event.key === 'Enter' || event.key === 'Tab') {
      event.preventDefault();
      event.stopPropagation();
      const from = this.active();
      this.wantsFocus = true;
      const panel = this.finish();
      if (!panel) return;
      (event.target as HTMLElement).closest<HTMLElement>('td')?.focus();
      if (event.key === 'Enter') this.step(0, event.shiftKey ? -1 : 1, from, panel);
      else this.focus(Math.min(this.panel().spaces, Math.max(1, from + (event.shiftKey ? -1 : 1))));
    } else if (event.key === 'Escape') {
      event.stopPropagation();
      this.message.set('');
      this.wantsFocus = true;
      this.editing.set(false);
    } else if (typed(event) && !(event.target instanceof HTMLInputElement)) {
      // Typed faster than the editor could take the focus.
      event.preventDefault();
      event.stopPropagation();
      this.draft.update((draft) => draft + event.key);
    }
  }

  private onMoveKey(event: KeyboardEvent): void {
    const circuits = breakersIn(this.panel(), this.active());
    const circuit = circuits[0];
    const steps: Partial<Record<string, readonly [number, number]>> = {
      ArrowDown: [0, 1],
      ArrowUp: [0, -1],
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
    };
    const step = steps[event.key];
    if (step && event.altKey && circuit) {
      event.preventDefault();
      const { column, row } = spacePlace(this.panel(), circuit.spaces[0]!);
      const to = spaceAt(this.panel(), { column: column + step[0], row: row + step[1] });
      if (to !== null) this.moveTo(circuit, to);
    } else if (step) {
      event.preventDefault();
      this.step(...step, this.active(), this.panel());
    } else if (event.key === 'Escape') {
      this.leaves = true;
    } else if (event.key === 'Tab' && !this.leaves) {
      const next = this.active() + (event.shiftKey ? -1 : circuit?.half === null ? circuit.spaces.length : 1);
      if (next < 1 || next > this.panel().spaces) return;
      event.preventDefault();
      this.focus(next);
    } else if (event.key === 'Home' || event.key === 'End') {
      event.preventDefault();
      this.focus(event.key === 'Home' ? 1 : this.panel().spaces);
    } else if (event.key === 'Enter' || event.key === 'F2') {
      event.preventDefault();
      this.startEdit();
    } else if (event.key === 'Delete' && circuit) {
      event.preventDefault();
      this.wantsFocus = true;
      this.edits.removeCircuits(this.panel(), circuits);
    } else if (typed(event) && event.key !== ' ') {
      event.preventDefault();
      event.stopPropagation();
      this.startEdit(event.key);
    }
  }

  private moveTo(circuit: Circuit, space: number): void {
    const moved = this.edits.move(this.panel(), circuit, space);
    this.message.set(moved ? '' : `${circuit.name || 'The breaker'} does not fit into space ${space}`);
    if (moved) this.focus(space);
  }

  /** To the next place in a direction; a breaker of more poles counts as one. */
  private step(columns: number, rows: number, from: number, panel: Panel): void {
    const { column, row } = spacePlace(panel, from);
    const here = breakersIn(panel, from)[0];
    const tall = rows > 0 && here?.half === null ? here.spaces.length : 1;
    const next = spaceAt(panel, { column: column + columns, row: row + rows * tall });
    const onward = rows > 0 ? spaceAt(panel, { column: column + 1, row: 0 }) : null;
    this.focus(next ?? onward ?? from);
  }

  private focusActive(): void {
    this.wantsFocus = false;
    const cell = this.host.nativeElement.querySelector<HTMLElement>('td[data-active]');
    const editor = cell?.querySelector('input');
    (editor ?? cell)?.focus();
    if (editor) editor.setSelectionRange(this.selectAll ? 0 : editor.value.length, editor.value.length);
    cell?.scrollIntoView({ block: 'nearest' });
  }
}
