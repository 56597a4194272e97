import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { StackPart } from '@levamen/core/equipment';
import { Button } from 'primeng/button';
import { Quantity } from '../../ui/quantity';
import type { StackRow } from './stack-row';

/** Stacks that do not satisfy every limit, and what each lacks. They may be used all the same. */
@Component({
  selector: 'lv-failing-stacks',
  imports: [Button, Quantity],
  template: `
    <table class="ruled small">
      <thead>
        <tr>
          <th scope="col">Stack</th>
          <th scope="col" class="number">Nameplate</th>
          <th scope="col">Lacks</th>
          <th scope="col"><span class="visually-hidden">Choose</span></th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.name) {
          <tr [class.chosen]="row.selected">
            <td>{{ row.name }}</td>
            <td class="number"><lv-quantity [value]="row.judged.stack.nameplateWh" unit="Wh" /></td>
            <td>{{ row.lacks }}</td>
            <td class="number">
              @if (row.selected) {
                in use
              } @else {
                <p-button
                  label="Use this"
                  size="small"
                  [text]="true"
                  [ariaLabel]="'Use ' + row.name"
                  (onClick)="chosen.emit(row.judged.stack.parts)"
                />
              }
            </td>
          </tr>
        } @empty {
          <tr>
            <td colspan="4" class="soft">None.</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    td {
      vertical-align: middle;
    }
    .chosen {
      background: var(--accent-wash);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FailingStacks {
  readonly rows = input.required<readonly StackRow[]>();
  readonly chosen = output<readonly StackPart[]>();
}
