import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { moneySchema } from '@levamen/core/base';
import { type TariffBand, tariffBandSchema } from '@levamen/core/house';
import { Button } from 'primeng/button';
import * as z from 'zod';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { TextField } from '../../ui/text-field';
import { readMoney } from './read-money';

/** Price as it is typed: an amount and, if somebody knows it, a currency; empty = not known. */
const priceSchema = z.string().superRefine((text, context) => {
  if (text.trim() !== '' && !moneySchema.safeParse(readMoney(text)).success)
    context.addIssue({ code: 'custom', message: 'Write the price as 0.32, or 0.32 EUR' });
});

/** One band of a tariff. */
@Component({
  selector: 'lv-tariff-band-fields',
  imports: [Button, FormField, TextField],
  template: `
    <div class="pair">
      <lv-form-field [of]="form" name="name" />
      <lv-text-field
        label="A kWh costs"
        [schema]="priceSchema"
        [value]="price()"
        (valueChange)="take($event)"
      />
      <lv-form-field [of]="form" name="fromH" />
      <lv-form-field [of]="form" name="toH" />
      <lv-form-field [of]="form" name="days" />
      <lv-form-field [of]="form" name="season" />
      <p-button
        label="Remove"
        size="small"
        severity="secondary"
        [text]="true"
        [ariaLabel]="'Remove ' + band().name"
        (onClick)="removed.emit()"
      />
    </div>
  `,
  styleUrl: './detail.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TariffBandFields {
  readonly band = input.required<TariffBand>();
  readonly bandChange = output<Partial<TariffBand>>();
  readonly removed = output();
  protected readonly priceSchema = priceSchema;
  protected readonly form = formOf<TariffBand>(tariffBandSchema.shape, this.band, (change) =>
    this.bandChange.emit(change),
  );
  protected readonly price = computed(() => {
    const { perKWh } = this.band();
    return perKWh ? [perKWh.amount, perKWh.currency].filter((part) => part !== null).join(' ') : '';
  });

  protected take(text: string): void {
    this.bandChange.emit({ perKWh: text.trim() === '' ? null : readMoney(text) });
  }
}
