import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  type DailyUse,
  dailyUseSchema,
  dailySettingsOf,
  type Finance,
  financeSchema,
  type Plan,
} from '@levamen/core/design';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';

/** How the battery is used day by day, and what is assumed of the years to come. */
@Component({
  selector: 'lv-rules-card',
  imports: [FormField],
  template: `
    <section class="sheet" aria-labelledby="rules-heading">
      <h2 id="rules-heading">How it is used</h2>
      @for (name of ruleNames; track name) {
        <lv-form-field [of]="rules" [name]="name" />
      }
      <h3>Years to come</h3>
      @for (name of financeNames(); track name) {
        <lv-form-field [of]="finance" [name]="name" />
      }
    </section>
  `,
  styles: `
    .sheet {
      display: grid;
      gap: 0.4rem;
      padding: 0.8rem 0.95rem;
    }
    h3 {
      margin: 0.5rem 0 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RulesCard {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  readonly plan = input.required<Plan>();

  protected readonly ruleNames = [
    'strategy',
    'heldBack',
    'fullBeforeStorms',
    'gridCharging',
    'sendsOut',
    'importLimitW',
  ] as const;
  /** Is the tariff in another currency than the prices? */
  private readonly isForeign = computed(() => {
    const book = this.evaluations.book();
    return book !== null && this.plan().tariffs.some(({ currency }) => currency !== book.currency);
  });
  protected readonly financeNames = computed((): (keyof Finance)[] => [
    'years',
    'priceRise',
    'discountRate',
    ...(this.isForeign() ? (['exchangeRate'] as const) : []),
  ]);
  private readonly settings = computed(() => dailySettingsOf(this.plan()));
  protected readonly rules = formOf<DailyUse>(
    dailyUseSchema.shape,
    computed(() => this.plan().dailyUse),
    (change, label) =>
      this.session.edit(label, (plan) => ({ ...plan, dailyUse: { ...plan.dailyUse, ...change } })),
    {
      defaults: computed(() => {
        const { strategy, heldBack } = this.settings();
        return { strategy, heldBack };
      }),
    },
  );
  protected readonly finance = formOf<Finance>(
    financeSchema.shape,
    computed(() => this.plan().finance),
    (change, label) =>
      this.session.edit(label, (plan) => ({ ...plan, finance: { ...plan.finance, ...change } })),
    {
      defaults: computed(() => {
        const { years, priceRise, discountRate } = this.settings();
        return { years, priceRise, discountRate };
      }),
    },
  );
}
