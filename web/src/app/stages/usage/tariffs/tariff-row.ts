import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Button } from 'primeng/button';
import { formOf, type Form } from '../../../ui/form';
import { FormField } from '../../../ui/form-field';
import { SeveralField } from '../../../ui/several-field';
import type { Choice } from '../../../ui/choice-field';

/** One entry of a list of a tariff: what it is called, and where it holds. */
export interface TariffEntry {
  readonly id: string;
  readonly seasonIds?: readonly string[];
  readonly bandIds?: readonly string[];
}

export type Named = readonly { readonly id: string; readonly name: string }[];

/** One entry of a list of a tariff, with the fields of its schema; none of the seasons ticked means all of them. */
@Component({
  selector: 'lv-tariff-row',
  imports: [Button, FormField, SeveralField],
  template: `
    <div class="row" role="group" [attr.aria-label]="label()">
      <div class="fields">
        @for (name of names(); track name) {
          <lv-form-field [of]="form()" [name]="name" [choices]="choicesOf(name)" [currency]="currency()" />
        }
        @if (entry().seasonIds && seasons().length > 1) {
          <lv-several-field
            label="In seasons (none: all)"
            [choices]="seasonChoices()"
            [value]="entry().seasonIds!"
            (valueChange)="changed.emit({ seasonIds: $event })"
          />
        }
        @if (entry().bandIds && bands().length > 1) {
          <lv-several-field
            label="In bands (none: all)"
            [choices]="bandChoices()"
            [value]="entry().bandIds!"
            (valueChange)="changed.emit({ bandIds: $event })"
          />
        }
      </div>
      @if (removable()) {
        <p-button
          icon="pi pi-times"
          size="small"
          severity="secondary"
          [text]="true"
          [ariaLabel]="'Remove ' + label()"
          (onClick)="removed.emit()"
        />
      }
    </div>
  `,
  styles: `
    .row {
      display: flex;
      gap: 0.5rem;
      align-items: start;
      justify-content: space-between;
      padding-block: 0.35rem;
      border-block-end: 1px solid var(--rule);
    }
    .fields {
      flex: 1;
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
      gap: 0.4rem 0.9rem;
      align-items: start;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TariffRow<T extends TariffEntry> {
  readonly entry = input.required<T>();
  readonly label = input.required<string>();
  readonly shape = input.required<Form<T>['shape']>();
  readonly names = input.required<readonly (keyof T & string)[]>();
  readonly seasons = input.required<Named>();
  readonly bands = input.required<Named>();
  readonly currency = input.required<string>();
  readonly removable = input(true);
  readonly changed = output<object>();
  readonly removed = output();

  protected readonly seasonChoices = computed(() =>
    this.seasons().map(({ id, name }) => [id, name] as const),
  );
  protected readonly bandChoices = computed(() => this.bands().map(({ id, name }) => [id, name] as const));
  protected readonly form = computed((): Form<T> =>
    formOf<T>(this.shape(), this.entry, (change) => this.changed.emit(change)),
  );

  protected choicesOf(name: string): readonly Choice<unknown>[] | null {
    return name === 'bandId' ? this.bands().map(({ id, name: label }) => ({ value: id, label })) : null;
  }
}
