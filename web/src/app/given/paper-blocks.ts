import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Block, TableCell } from '@levamen/core/papers';
import { DrawingShapes } from '../drawings/drawing-shapes';

const textOf = (cell: TableCell): string => (typeof cell === 'string' ? cell : cell.text);

/** A paper as a page to read on a telephone. */
@Component({
  selector: 'lv-paper-blocks',
  imports: [DrawingShapes],
  template: `
    @for (block of shown(); track $index) {
      @switch (block.kind) {
        @case ('heading') {
          @if (block.level === 1) {
            <h2>{{ block.text }}</h2>
          } @else {
            <h3>{{ block.text }}</h3>
          }
        }
        @case ('paragraph') {
          <p [class.soft]="block.tone === 'soft'">{{ block.text }}</p>
        }
        @case ('list') {
          <ul>
            @for (item of block.items; track $index) {
              <li>{{ item }}</li>
            }
          </ul>
        }
        @case ('facts') {
          <dl>
            @for (row of block.rows; track $index) {
              <dt>{{ row[0] }}</dt>
              <dd>{{ row[1] }}</dd>
            }
          </dl>
        }
        @case ('table') {
          <div class="scroll" tabindex="0" role="region" [attr.aria-label]="block.name">
            <table class="ruled by-row">
              <thead>
                <tr>
                  @for (head of block.heads; track $index) {
                    <th scope="col">{{ head }}</th>
                  }
                </tr>
              </thead>
              <tbody>
                @for (row of block.rows; track $index) {
                  <tr>
                    @for (cell of row; track $index) {
                      @if ($index === 0) {
                        <th scope="row">{{ cell }}</th>
                      } @else {
                        <td>{{ cell }}</td>
                      }
                    }
                  </tr>
                }
              </tbody>
            </table>
          </div>
          @if (block.note !== '') {
            <p class="small soft">{{ block.note }}</p>
          }
        }
        @case ('drawing') {
          <svg
            role="img"
            [attr.aria-label]="block.title"
            [attr.viewBox]="'0 0 ' + block.drawing.widthMm + ' ' + block.drawing.heightMm"
          >
            <svg:g lvDrawing [drawing]="block.drawing" />
          </svg>
        }
        @case ('box') {
          <section class="box" [class.caution]="block.tone === 'caution'">
            <h3>{{ block.title }}</h3>
            <ul>
              @for (line of block.lines; track $index) {
                <li>{{ line }}</li>
              }
            </ul>
          </section>
        }
        @case ('within') {
          <lv-paper-blocks [blocks]="block.blocks" />
        }
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.7rem;
    }
    h2 {
      margin-block-start: 0.8rem;
    }
    ul {
      margin: 0;
      padding-inline-start: 1.2rem;
    }
    dl {
      display: grid;
      gap: 0.15rem;
    }
    dt {
      color: var(--ink-soft);
      font-size: 0.9rem;
    }
    dd {
      margin: 0 0 0.4rem;
    }
    .scroll {
      overflow-x: auto;
    }
    svg {
      display: block;
      width: 100%;
      background: #fff;
    }
    .box {
      padding: 0.7rem 0.9rem;
      border-inline-start: 4px solid var(--rule-strong);
      background: var(--accent-wash);
    }
    .caution {
      border-inline-start-color: var(--fails);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PaperBlocks {
  readonly blocks = input.required<readonly Block[]>();
  protected readonly shown = computed(() => this.blocks().flatMap(readable));
}

type Kept = Extract<Block, { kind: 'heading' | 'paragraph' | 'list' | 'facts' | 'drawing' | 'box' }>;
/** A block as it is read on a telephone. */
type Readable =
  | Kept
  | {
      readonly kind: 'table';
      readonly name: string;
      readonly heads: readonly string[];
      readonly rows: readonly (readonly string[])[];
      readonly note: string;
    }
  | { readonly kind: 'within'; readonly blocks: readonly Block[] };

/** What of a block is read on a telephone: lines to sign and boxes to tick are for paper. */
function readable(block: Block): Readable[] {
  switch (block.kind) {
    case 'heading':
    case 'paragraph':
    case 'list':
    case 'facts':
    case 'drawing':
    case 'box':
      return [block];
    case 'table':
      return [
        {
          kind: 'table',
          name: block.columns.flatMap(({ head }) => (head === '' ? [] : [head])).join(', '),
          heads: block.columns.some(({ head }) => head !== '') ? block.columns.map(({ head }) => head) : [],
          rows: block.rows.map((row) => row.map(textOf)),
          note: block.note ?? '',
        },
      ];
    case 'together':
      return [{ kind: 'within', blocks: block.blocks }];
    case 'columns':
      return [{ kind: 'within', blocks: [...block.left, ...block.right] }];
    case 'ticks':
    case 'signatures':
    case 'mark':
    case 'picture':
      return [];
  }
}
