import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { OfferGroup } from '@levamen/core/offer';
import { DesignPrice } from '../../data/design-price';
import { EvaluationService } from '../../data/evaluation';
import { WiringStudies } from '../../data/wiring-studies';
import { moneyText } from '../../ui/money-text';

const groupLabels: Readonly<Record<OfferGroup, string>> = {
  goods: 'Goods',
  delivery: 'Delivery',
  labour: 'Labour',
  contingency: 'Contingency',
  profit: 'Profit',
  fees: 'Fees',
  tax: 'Tax',
  incentive: 'Incentive',
};

/** What the stack in use costs with everything that goes with it, line by line. */
@Component({
  selector: 'lv-cost-card',
  imports: [RouterLink],
  template: `
    <section class="sheet" aria-labelledby="cost-heading">
      <h2 id="cost-heading">What it costs</h2>
      @if (total(); as cost) {
        <p>
          <b class="figure">{{ cost.about }}{{ cost.gross }}</b> with fees and taxes
          @if (cost.afterIncentives !== cost.gross) {
            · <b class="figure">{{ cost.about }}{{ cost.afterIncentives }}</b> after incentives
          }
        </p>
        @if (cost.about !== '') {
          <p class="small soft">{{ cost.about }}wire and conduit by length, {{ cost.byLength }}.</p>
        }
        @if (cost.missing !== '') {
          <p class="small missing">
            <i class="pi pi-exclamation-triangle" aria-hidden="true"></i>
            <b>{{ cost.missingCount }} without a price</b>, and not in the total: {{ cost.missing }}
          </p>
        }
        <details class="small">
          <summary>{{ cost.lines.length }} lines</summary>
          <div class="scroll" tabindex="0" role="region" aria-label="Lines of the price">
            <table class="ruled small">
              <thead>
                <tr>
                  <th scope="col">Kind</th>
                  <th scope="col">Line</th>
                  <th scope="col">Why</th>
                  <th scope="col">Reckoned</th>
                  <th scope="col" class="number">Amount</th>
                </tr>
              </thead>
              <tbody>
                @for (line of cost.lines; track $index) {
                  <tr>
                    <td class="soft">{{ line.group }}</td>
                    <td>{{ line.label }}</td>
                    <td>{{ line.why }}</td>
                    <td class="figure">{{ line.working }}</td>
                    <td class="number figure">{{ line.amount }}</td>
                  </tr>
                }
              </tbody>
            </table>
          </div>
        </details>
      } @else {
        <p class="small soft">{{ why() }} <a routerLink="/equipment/prices">Enter prices</a></p>
      }
    </section>
  `,
  styles: `
    .sheet {
      display: grid;
      gap: 0.4rem;
      padding: 0.8rem 0.95rem;
    }
    .missing {
      color: var(--tight);
    }
    .scroll {
      max-height: 24rem;
      overflow: auto;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CostCard {
  private readonly evaluations = inject(EvaluationService);
  private readonly prices = inject(DesignPrice);
  private readonly wiring = inject(WiringStudies);

  protected readonly why = computed(() =>
    this.evaluations.pricer() === null
      ? 'The list of equipment this job is designed with has no prices.'
      : 'Nothing is chosen yet.',
  );
  protected readonly total = computed(() => {
    const total = this.prices.price();
    if (!total) return null;
    const shown = (amount: string): string => moneyText(amount, total.currency);
    return {
      gross: shown(total.gross),
      afterIncentives: shown(total.afterIncentives),
      about: total.estimatedWire === null ? '' : '≈ ',
      byLength:
        this.wiring.material() === null
          ? 'until the design is wired'
          : 'since the list has no price for the conductors it is wired with',
      missing: total.missing.join(', '),
      missingCount: total.missing.length,
      lines: total.lines.map((line) => ({
        ...line,
        group: groupLabels[line.group].toLowerCase(),
        amount: shown(line.amount),
      })),
    };
  });
}
