import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type ListedPoint, movementText } from '@levamen/core/checks';
import { type OpenPoint, openPointSchema } from '@levamen/core/design';
import { inWordsOf } from '@levamen/core/present';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { PLACE_LOCALE } from '../ui/place-locale';
import { TextField } from '../ui/text-field';

/** One open point: what it is and how it is found out, who does so, by when. */
@Component({
  selector: 'tr[lv-open-point-row]',
  imports: [Button, Checkbox, FormsModule, InputText, TextField],
  template: `
    <td>
      @if (point().ownId === null) {
        <b>{{ text() }}</b>
        <span class="small soft">{{ find() }}</span>
      } @else {
        <lv-text-field
          label="What is open"
          [schema]="schema.text"
          [value]="point().text"
          (valueChange)="said.emit({ text: $event })"
        />
        <p-button
          icon="pi pi-trash"
          size="small"
          severity="secondary"
          [text]="true"
          [ariaLabel]="'Remove ' + point().text"
          (onClick)="removed.emit()"
        />
      }
      @if (matters() !== '') {
        <span class="small" [class.decides]="point().movement?.decides">{{ matters() }}</span>
      }
    </td>
    <td>
      <input
        #who
        pInputText
        pSize="small"
        maxlength="80"
        [attr.aria-label]="'Who finds out: ' + text()"
        [value]="point().who"
        (change)="said.emit({ who: who.value.trim() })"
      />
    </td>
    <td>
      <input
        #due
        type="date"
        [attr.aria-label]="'By when: ' + text()"
        [value]="point().dueOn ?? ''"
        (change)="said.emit({ dueOn: due.value === '' ? null : due.value })"
      />
    </td>
    <td>
      <p-checkbox
        [binary]="true"
        [ariaLabel]="'Settled: ' + text()"
        [ngModel]="point().done"
        (ngModelChange)="said.emit({ done: $event })"
      />
    </td>
  `,
  styles: `
    td:first-child {
      display: flex;
      flex-direction: column;
      gap: 0.1rem;
    }
    b {
      font-weight: 600;
    }
    .decides {
      color: var(--tight);
      font-weight: 600;
    }
    td:nth-child(2) input {
      width: 9rem;
    }
    input[type='date'] {
      border: 1px solid var(--rule-strong);
      background: var(--sheet-raised);
      padding: 0.35rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OpenPointRow {
  readonly point = input.required<ListedPoint>();
  readonly said = output<Partial<OpenPoint>>();
  readonly removed = output();
  private readonly locale = inject(PLACE_LOCALE);
  protected readonly schema = openPointSchema.shape;
  protected readonly text = computed(() => inWordsOf(this.locale(), this.point().text));
  protected readonly find = computed(() => this.point().find);
  protected readonly matters = computed(() => movementText(this.point().movement));
}
