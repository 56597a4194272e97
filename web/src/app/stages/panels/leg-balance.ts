import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import type { Season } from '@levamen/core/nature';
import { dayPartFacts, type Panel } from '@levamen/core/house';
import { panelBalance, type SwapPlan } from '@levamen/core/house/details';
import type { Plan } from '@levamen/core/design';
import { Button } from 'primeng/button';
import { PanelEdits } from './panel-edits';

interface PlanView {
  readonly plan: SwapPlan;
  readonly title: string;
  readonly steps: readonly string[];
  readonly after: string;
}

/** How evenly the legs of a panel are loaded, and the swaps that help most. */
@Component({
  selector: 'lv-leg-balance',
  imports: [Button],
  template: `
    <h3>Legs</h3>
    @if (balance().legs.length < 2) {
      <p class="soft">This supply has one leg only.</p>
    } @else {
      <p class="small soft">
        Mean power of what hangs on the panel, in its busiest part of a {{ season() }} day: {{ part() }}.
      </p>
      <table class="ruled small">
        <thead>
          <tr>
            <th scope="col">Leg</th>
            <th scope="col" class="number">Calculated</th>
            @if (balance().measuredW) {
              <th scope="col" class="number">Measured</th>
            }
            <th scope="col" class="bar-head"><span class="visually-hidden">Bar</span></th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.leg) {
            <tr>
              <th scope="row">{{ row.leg }}</th>
              <td class="number figure">{{ row.calculated }}</td>
              @if (balance().measuredW) {
                <td class="number figure">{{ row.measured }}</td>
              }
              <td><span class="bar" [style.inline-size.%]="row.share"></span></td>
            </tr>
          }
        </tbody>
      </table>
      <p>
        Difference <b class="figure">{{ difference() }}</b>
        @if (balance().measuredCircuits > 0) {
          <span class="soft small">
            by calculation; with {{ balance().measuredCircuits }} circuits as measured
            <b class="figure">{{ present() }}</b></span
          >
        }
      </p>
      <h4>Swaps that even it out</h4>
      @for (view of plans(); track view.title) {
        <div class="plan">
          <p>
            <b>{{ view.title }}</b>
            <span class="soft small">leaves {{ view.after }}</span>
          </p>
          <ol class="small">
            @for (step of view.steps; track step) {
              <li>{{ step }}</li>
            }
          </ol>
          <p-button
            label="Take it"
            size="small"
            [outlined]="true"
            [ariaLabel]="'Take the plan of ' + view.title"
            (onClick)="take(view.plan)"
          />
        </div>
      } @empty {
        <p class="soft small">No swap of one-pole breakers would even it out further.</p>
      }
      <p class="small soft">
        Exact: no other choice of so many swaps does better. Breakers of more poles, tandems and shared
        neutrals stay. A panel is opened by a licensed electrician; everything ahead of its main stays live.
      </p>
    }
  `,
  styleUrls: ['./detail.css', './leg-balance.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LegBalance {
  private readonly edits = inject(PanelEdits);
  readonly plan = input.required<Plan>();
  readonly panel = input.required<Panel>();
  readonly season = input.required<Season>();

  protected readonly balance = computed(() => panelBalance(this.plan(), this.panel(), this.season()));
  protected readonly part = computed(() => dayPartFacts[this.balance().part].label.toLowerCase());
  protected readonly difference = computed(() => quantityText(this.balance().imbalanceVA, 'VA'));
  protected readonly present = computed(() => quantityText(this.balance().presentImbalanceVA, 'VA'));
  protected readonly rows = computed(() => {
    const { legs, calculatedVA, measuredW } = this.balance();
    const most = Math.max(1, ...calculatedVA);
    return legs.map((leg, index) => ({
      leg,
      calculated: quantityText(calculatedVA[index]!, 'VA'),
      measured: measuredW ? quantityText(measuredW[index]!, 'W') : '',
      share: (calculatedVA[index]! / most) * 100,
    }));
  });
  protected readonly plans = computed(() =>
    this.balance().plans.map((plan): PlanView => ({
      plan,
      title: plan.swaps.length === 1 ? 'one swap' : `${plan.swaps.length} swaps`,
      steps: plan.swaps.map(({ from, to, effectVA }) => {
        const what = `${this.nameOf(from.id)} (${from.space})`;
        const move =
          to.id === null
            ? `${what} to free space ${to.space}`
            : `${what} with ${this.nameOf(to.id)} (${to.space})`;
        return `${move}: ${quantityText(effectVA, 'VA')} less`;
      }),
      after: quantityText(plan.imbalanceVA, 'VA'),
    })),
  );

  protected take({ swaps }: SwapPlan): void {
    this.edits.moveAll(
      this.panel(),
      swaps.map(({ from, to }) => ({ circuitId: from.id!, space: to.space })),
    );
  }

  private nameOf(id: string | null): string {
    return this.panel().circuits.find((circuit) => circuit.id === id)?.name || 'not named';
  }
}
