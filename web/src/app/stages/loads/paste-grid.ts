import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import { kindFacts, type Load } from '@levamen/core/house';
import { type PasteColumn, pasteColumns, type readPastedLoads, startText } from '@levamen/core/house/details';

const columnLabels: Readonly<Record<PasteColumn, string>> = {
  name: 'Name',
  quantity: 'Quantity',
  watts: 'Watts',
  hours: 'Hours a day',
  start: 'Starts',
  tier: 'Tier',
  duty: 'Duty',
  legs: 'Legs',
  circuit: 'Circuit',
  kind: 'Kind',
};

/** What a row becomes, as far as the cells do not say it already. */
const describe = (load: Load): string =>
  [
    quantityText(load.runningPowerW, 'W'),
    `${load.legsAssumed ? '~ ' : ''}${load.legs}`,
    kindFacts[load.kind].label.toLowerCase(),
    startText(load.start),
    load.tier,
    load.note,
  ]
    .filter((text) => text !== '')
    .join(', ');

/** Pasted rows before they are taken: what each column holds can be said, and each cell corrected. */
@Component({
  selector: 'lv-paste-grid',
  template: `
    <div class="list">
      <table class="ruled small">
        <thead>
          <tr>
            <th scope="col"><span class="visually-hidden">Row</span></th>
            @for (column of columns(); track $index; let c = $index) {
              <th scope="col">
                <select
                  #said
                  [attr.aria-label]="'Column ' + (c + 1) + ' holds'"
                  [value]="column ?? ''"
                  (change)="say(c, said.value)"
                >
                  <option value="" [selected]="column === null">not taken</option>
                  @for (choice of choices; track choice.value) {
                    <option [value]="choice.value" [selected]="choice.value === column">
                      {{ choice.label }}
                    </option>
                  }
                </select>
              </th>
            }
            <th scope="col">Taken as</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.index) {
            <tr>
              <th scope="row" class="number">{{ row.number }}</th>
              @for (cell of row.cells; track $index; let c = $index) {
                <td>
                  <input
                    #typed
                    [attr.aria-label]="'Row ' + row.number + ', column ' + (c + 1)"
                    [value]="cell"
                    (change)="write(row.index, c, typed.value)"
                  />
                </td>
              }
              <td>
                @if (row.problems === '') {
                  {{ row.text }}
                } @else {
                  <span class="refused"
                    ><i class="pi pi-times-circle" aria-hidden="true"></i> left out: {{ row.problems }}</span
                  >
                }
              </td>
            </tr>
          }
        </tbody>
      </table>
    </div>
  `,
  styleUrl: './add-loads-dialog.css',
  styles: `
    input {
      width: 100%;
      min-width: 4rem;
      border: 1px solid var(--rule);
      background: var(--sheet-raised);
      padding: 0.2rem 0.3rem;
    }
    select {
      border: 1px solid var(--rule-strong);
      background: var(--sheet-raised);
      padding: 0.2rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PasteGrid {
  readonly cells = input.required<readonly (readonly string[])[]>();
  readonly pasted = input.required<ReturnType<typeof readPastedLoads>>();
  readonly cellsChange = output<readonly (readonly string[])[]>();
  readonly columnsChange = output<readonly (PasteColumn | null)[]>();

  protected readonly choices = pasteColumns.map((value) => ({ value, label: columnLabels[value] }));
  protected readonly columns = computed(() => this.pasted().columns);
  protected readonly rows = computed(() => {
    const { rows, hasHeadings, columns } = this.pasted();
    const filled = this.cells()
      .map((cells, index) => ({ cells, index }))
      .filter(({ cells }) => cells.some((cell) => cell.trim() !== ''))
      .slice(hasHeadings ? 1 : 0);
    return rows.map(({ row, load, problems }, at) => ({
      number: row,
      index: filled[at]!.index,
      cells: columns.map((_, c) => filled[at]!.cells[c] ?? ''),
      problems: problems.join('; '),
      text: load ? describe(load) : '',
    }));
  });

  protected write(index: number, column: number, text: string): void {
    this.cellsChange.emit(
      this.cells().map((row, at) =>
        at === index
          ? Array.from({ length: Math.max(row.length, column + 1) }, (_, c) =>
              c === column ? text : (row[c] ?? ''),
            )
          : row,
      ),
    );
  }

  /** A column holds one thing, and each thing stands in one column. */
  protected say(column: number, value: string): void {
    const holds = pasteColumns.find((one) => one === value) ?? null;
    this.columnsChange.emit(
      this.columns().map((one, at) => (at === column ? holds : one === holds ? null : one)),
    );
  }
}
