import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** A row of figures under its name. */
export interface FigureRow {
  readonly name: string;
  readonly cells: readonly string[];
  /** The one in use. */
  readonly isMarked?: boolean;
}

/** Figures by row and column; the first column names the row. */
@Component({
  selector: 'lv-figure-table',
  template: `
    <div class="scroll" tabindex="0" role="region" [attr.aria-label]="label()">
      <table class="ruled by-row small">
        <thead>
          <tr>
            @for (head of heads(); track $index; let first = $first) {
              <th scope="col" [class.number]="!first">{{ head }}</th>
            }
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.name) {
            <tr [class.marked]="row.isMarked">
              <th scope="row">{{ row.name }}</th>
              @for (cell of row.cells; track $index) {
                <td class="number figure">{{ cell }}</td>
              }
            </tr>
          }
        </tbody>
      </table>
    </div>
  `,
  styles: `
    :host {
      display: block;
      min-width: 0;
    }
    .scroll {
      overflow-x: auto;
    }
    tbody th {
      color: var(--ink);
    }
    .marked,
    .marked th {
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FigureTable {
  /** What the table is about. */
  readonly label = input.required<string>();
  readonly heads = input.required<readonly string[]>();
  readonly rows = input.required<readonly FigureRow[]>();
}
