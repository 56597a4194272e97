import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import { systemFacts } from '@levamen/core/electric';
import type { PowerContext } from './power-context';

/** The legs as a balance: what each carries, against what it may. */
@Component({
  selector: 'lv-leg-bars',
  template: `
    <table class="ruled small">
      <thead>
        <tr>
          <th scope="col">Leg</th>
          <th scope="col" class="number">Running</th>
          <th scope="col" class="bar-head">Of {{ limit() }}</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.leg) {
          <tr>
            <th scope="row">{{ row.leg }}</th>
            <td class="number figure">{{ row.running }}</td>
            <td>
              <span class="scale" aria-hidden="true"
                ><span
                  class="fill"
                  [class.over]="row.share > 100"
                  [style.inline-size.%]="row.width"
                ></span></span
              ><span class="figure">{{ row.share }} %</span>
            </td>
          </tr>
        }
      </tbody>
    </table>
    <p class="small">{{ neutralRating() }}</p>
    <p class="small soft">
      The neutral is taken at its worst: one leg alone, or several whose loads lag differently. Otherwise a
      load that leaves could make it worse.
    </p>
  `,
  styleUrl: './power.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LegBars {
  readonly power = input.required<PowerContext>();

  protected readonly limit = computed(() => quantityText(this.power().stack.perLegVA, 'VA'));
  protected readonly rows = computed(() => {
    const { context, stack } = this.power();
    return context.power.byLeg.map(({ leg, powerVA }) => {
      const share = Math.round((powerVA / stack.perLegVA) * 100);
      return {
        leg,
        running: quantityText(powerVA, 'VA'),
        share,
        width: Math.min(100, share / 1.4),
      };
    });
  });
  protected readonly neutralRating = computed(() => {
    const { context, stack } = this.power();
    const { legVoltageV } = systemFacts[context.plan.supply.system];
    const worst = `Neutral at its worst: ${quantityText(context.power.neutral.powerVA / legVoltageV, 'A')}`;
    return stack.neutralA === null
      ? `${worst}; what it, or the autotransformer that forms it, carries is not stated.`
      : `${worst}; it, or the autotransformer that forms it, carries ${quantityText(stack.neutralA, 'A')}.`;
  });
}
