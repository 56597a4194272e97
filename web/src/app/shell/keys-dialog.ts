import { ChangeDetectionStrategy, Component, inject, model } from '@angular/core';
import { Dialog } from 'primeng/dialog';
import { shellShortcuts } from './shortcuts';
import { STAGES } from './stage';

/** The list of keys. */
@Component({
  selector: 'lv-keys-dialog',
  imports: [Dialog],
  template: `
    <p-dialog
      closeAriaLabel="Close"
      header="Keys"
      [modal]="true"
      [dismissableMask]="true"
      [(visible)]="visible"
      [style]="{ width: '34rem' }"
      [pt]="scrollable"
    >
      @for (group of groups; track group.group) {
        <h3>{{ group.group }}</h3>
        <table class="ruled">
          <tbody>
            @for (row of group.rows; track row.keys) {
              <tr>
                <th scope="row" class="figure">{{ row.keys }}</th>
                <td>{{ row.does }}</td>
              </tr>
            }
          </tbody>
        </table>
      }
    </p-dialog>
  `,
  styles: `
    h3 {
      margin-top: 0.8rem;
    }
    th {
      width: 13rem;
      border-bottom: 1px solid var(--rule);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeysDialog {
  readonly visible = model(false);
  /** The list is scrolled with the keyboard where it is longer than the screen; nothing in it takes the focus. */
  protected readonly scrollable = { content: { tabindex: 0, role: 'region', 'aria-label': 'List of keys' } };
  private readonly stages = inject(STAGES);
  protected readonly groups = [
    shellShortcuts(this.stages.length),
    ...this.stages.flatMap(({ shortcuts }) => shortcuts ?? []),
  ];
}
