import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Presence } from '@levamen/core/design';
import type { Load } from '@levamen/core/house';
import { presenceWords } from '../../ui/presence-words';
import { cellChoices, type CellContext, type LoadColumn } from './load-columns';

/** What one cell shows. */
export interface LoadCell {
  readonly column: LoadColumn;
  readonly text: string;
  /** Why what was typed could not be taken; '' where it could. */
  readonly rejected: string;
}

/** What one row shows. The same object as long as nothing in it changes, so that only changed rows are drawn again. */
export interface LoadRowView {
  readonly load: Load;
  readonly presence: Presence;
  readonly cells: readonly LoadCell[];
}

/** One load in the table. What is pressed and clicked is handled by the table. */
@Component({
  selector: 'tr[lv-load-row]',
  template: `
    @for (cell of row().cells; track cell.column.key; let c = $index) {
      @let here = c === activeColumn();
      <td
        role="gridcell"
        [class]="cell.column.key"
        [class.number]="cell.column.number"
        [class.refused]="cell.rejected !== ''"
        [tabindex]="here ? 0 : -1"
        [attr.data-column]="c"
        [attr.data-active]="here ? '' : null"
        [attr.aria-readonly]="cell.column.kind === 'computed' || null"
        [attr.aria-invalid]="cell.rejected !== '' || null"
        [attr.aria-describedby]="cell.rejected !== '' ? 'load-cell-message' : null"
      >
        @if (here && draft() !== null) {
          @if (cell.column.kind === 'choice') {
            <select
              #choice
              [attr.aria-label]="cell.column.label + ' of ' + row().load.name"
              (change)="chosen.emit(choice.value)"
              (blur)="left.emit()"
            >
              @for (option of choices(); track option) {
                <option [value]="option" [selected]="option === draft()">{{ option }}</option>
              }
            </select>
          } @else {
            <input
              #text
              autocomplete="off"
              [attr.aria-label]="cell.column.label + ' of ' + row().load.name"
              [attr.list]="choices().length > 0 ? 'cell-choices' : null"
              [value]="draft()"
              (input)="typed.emit(text.value)"
              (blur)="left.emit()"
            />
            @if (choices().length > 0) {
              <datalist id="cell-choices">
                @for (option of choices(); track option) {
                  <option [value]="option"></option>
                }
              </datalist>
            }
          }
        } @else if (cell.column.kind === 'toggle') {
          <span
            class="switch"
            [class.on]="row().presence === 'kept'"
            [class.along]="row().presence === 'along'"
            [title]="words()"
            aria-hidden="true"
          ></span>
          <span class="visually-hidden">{{ words() }}</span>
        } @else if (cell.column.key === 'tier') {
          <span [class]="'tier-mark ' + row().load.tier" aria-hidden="true"></span>{{ cell.text }}
        } @else if (cell.column.key === 'name') {
          {{ cell.text }}
          @if (row().load.basis === 'measured' || row().load.basis === 'nameplate') {
            <span class="basis" [title]="row().load.basis">{{
              row().load.basis === 'measured' ? 'meas.' : 'plate'
            }}</span>
          }
        } @else {
          <span [class.figure]="cell.column.number || cell.column.key === 'start'">{{ cell.text }}</span>
        }
        @if (cell.rejected !== '') {
          <i class="pi pi-times-circle" aria-hidden="true"></i>
        }
      </td>
    }
  `,
  styleUrl: './load-row.css',
  host: { role: 'row', '[class.dark]': 'isDark()', '[attr.data-load]': 'row().load.id' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LoadRow {
  readonly row = input.required<LoadRowView>();
  readonly context = input.required<CellContext>();
  /** Column of the active cell; -1 where another row is active. */
  readonly activeColumn = input.required<number>();
  /** The text that is being edited in the active cell; null while nothing is. */
  readonly draft = input.required<string | null>();

  readonly typed = output<string>();
  readonly chosen = output<string>();
  readonly left = output();

  protected readonly words = computed(() => presenceWords[this.row().presence]);
  protected readonly isDark = computed(() => {
    const { presence } = this.row();
    return presence === 'dark' || presence === 'unplugged';
  });
  protected readonly choices = computed(() => {
    const column = this.row().cells[this.activeColumn()]?.column;
    return column ? cellChoices(this.row().load, column.key, this.context()) : [];
  });
}
