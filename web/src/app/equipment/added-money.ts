import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { amountSchema, nameSchema } from '@levamen/core/base';
import type { Incentive, PriceBook } from '@levamen/core/offer';
import { Button } from 'primeng/button';
import { AmountField } from '../ui/amount-field';
import { type Choice, ChoiceField } from '../ui/choice-field';
import { MoneyField } from '../ui/money-field';
import { SeveralField } from '../ui/several-field';
import { TextField } from '../ui/text-field';

type Tax = PriceBook['taxes'][number];
type Fee = PriceBook['fees'][number];
type Added = Pick<PriceBook, 'fees' | 'taxes' | 'incentives'>;

const taxable = [
  ['goods', 'goods'],
  ['labour', 'labour'],
  ['fees', 'fees'],
] as const;

/** Fees, taxes and incentives. */
@Component({
  selector: 'lv-added-money',
  imports: [AmountField, Button, ChoiceField, MoneyField, SeveralField, TextField],
  templateUrl: './added-money.html',
  styleUrl: './added-money.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AddedMoney {
  readonly book = input.required<PriceBook>();
  readonly bookChange = output<Partial<Added>>();

  protected readonly name = nameSchema(80);
  protected readonly rate = amountSchema(0, 1);
  protected readonly energy = amountSchema(0, 10_000, 'kWh');
  protected readonly taxable = taxable;
  protected readonly kindChoices: readonly Choice<Incentive['by']['kind']>[] = [
    { value: 'share', label: 'share of the price' },
    { value: 'energy', label: 'each kWh, by steps' },
    { value: 'fixed', label: 'fixed amount' },
  ];
  protected readonly currency = computed(() => this.book().currency);
  protected readonly perKWh = computed(() => `${this.book().currency} a kWh`);

  protected addFee(): void {
    this.fees([...this.book().fees, { id: crypto.randomUUID(), name: 'Permit', amount: '0' }]);
  }
  protected setFee(id: string, change: Partial<Fee>): void {
    this.fees(this.book().fees.map((fee) => (fee.id === id ? { ...fee, ...change } : fee)));
  }
  protected dropFee(id: string): void {
    this.fees(this.book().fees.filter((fee) => fee.id !== id));
  }

  protected addTax(): void {
    this.taxes([
      ...this.book().taxes,
      { id: crypto.randomUUID(), name: 'Tax', rate: 0, on: ['goods', 'labour'] },
    ]);
  }
  protected setTax(id: string, change: Partial<Tax>): void {
    this.taxes(this.book().taxes.map((tax) => (tax.id === id ? { ...tax, ...change } : tax)));
  }
  protected setTaxed(id: string, on: readonly string[]): void {
    const known = taxable.flatMap(([one]) => (on.includes(one) ? [one] : []));
    if (known.length > 0) this.setTax(id, { on: known });
  }
  protected dropTax(id: string): void {
    this.taxes(this.book().taxes.filter((tax) => tax.id !== id));
  }

  protected addIncentive(): void {
    this.incentives([
      ...this.book().incentives,
      {
        id: crypto.randomUUID(),
        name: 'Incentive',
        who: '',
        by: { kind: 'share', share: 0 },
        cap: null,
        leastKWh: 0,
      },
    ]);
  }
  protected setIncentive(id: string, change: Partial<Incentive>): void {
    this.incentives(this.book().incentives.map((one) => (one.id === id ? { ...one, ...change } : one)));
  }
  protected setKind(id: string, kind: Incentive['by']['kind'] | null): void {
    if (kind === 'share') this.setIncentive(id, { by: { kind, share: 0 } });
    if (kind === 'fixed') this.setIncentive(id, { by: { kind, amount: '0' } });
    if (kind === 'energy')
      this.setIncentive(id, {
        by: {
          kind,
          steps: [
            { upToKWh: 10, perKWh: '0' },
            { upToKWh: null, perKWh: '0' },
          ],
        },
      });
  }
  /** The first step ends there, and the second goes on without an end. */
  protected setStep(incentive: Incentive, index: number, change: object): void {
    if (incentive.by.kind !== 'energy') return;
    const steps = incentive.by.steps.map((step, i) => (i === index ? { ...step, ...change } : step));
    this.setIncentive(incentive.id, { by: { kind: 'energy', steps } });
  }
  protected dropIncentive(id: string): void {
    this.incentives(this.book().incentives.filter((one) => one.id !== id));
  }

  private fees(fees: Fee[]): void {
    this.bookChange.emit({ fees });
  }
  private taxes(taxes: Tax[]): void {
    this.bookChange.emit({ taxes });
  }
  private incentives(incentives: Incentive[]): void {
    this.bookChange.emit({ incentives });
  }
}
