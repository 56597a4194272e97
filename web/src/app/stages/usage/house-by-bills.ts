import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import { addLoads, type Plan } from '@levamen/core/design';
import { enoughExplained, explainedShare, explainedWh, seasonDayWh } from '@levamen/core/house';
import { type HouseAnswers, houseByBills, restLoad } from '@levamen/core/house/details';
import { seasons } from '@levamen/core/nature';
import { firstSize } from '@levamen/core/study/details';
import { Button } from 'primeng/button';
import { JobSession } from '../../data/job-session';
import { ChoiceField, type Choice } from '../../ui/choice-field';
import { FigureButton } from '../../ui/figure-button';
import { seasonLabels } from '../../ui/season-labels';

const newId = (): string => crypto.randomUUID();

/** What bills alone make of a house: a first size, its loads, and how much of the bills the list explains. */
@Component({
  selector: 'lv-house-by-bills',
  imports: [Button, ChoiceField, FigureButton],
  templateUrl: './house-by-bills.html',
  styleUrl: './cards.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HouseByBills {
  private readonly session = inject(JobSession);
  readonly plan = input.required<Plan>();

  protected readonly answers = signal<HouseAnswers>({
    heating: 'fuel',
    cooling: 'none',
    water: 'fuel',
    cooking: 'gas',
    ownWell: false,
  });
  protected readonly heatings: Choice<HouseAnswers['heating']>[] = [
    { value: 'fuel', label: 'Gas, oil, wood or district heat' },
    { value: 'heat-pump', label: 'Heat pump' },
    { value: 'resistance', label: 'Electric resistance' },
  ];
  protected readonly coolings: Choice<HouseAnswers['cooling']>[] = [
    { value: 'none', label: 'None' },
    { value: 'room', label: 'Room unit' },
    { value: 'central', label: 'Central' },
  ];
  protected readonly waters: Choice<HouseAnswers['water']>[] = [
    { value: 'fuel', label: 'From the boiler, or gas' },
    { value: 'heat-pump', label: 'Heat-pump water heater' },
    { value: 'tank', label: 'Electric tank' },
  ];
  protected readonly cookings: Choice<HouseAnswers['cooking']>[] = [
    { value: 'gas', label: 'Gas' },
    { value: 'electric', label: 'Electric' },
  ];
  protected readonly wells: Choice<boolean>[] = [
    { value: false, label: 'Mains water' },
    { value: true, label: 'Own well' },
  ];
  protected readonly sizes = computed(() => {
    const size = firstSize(this.plan());
    return size
      ? [
          { key: 'lithium', label: 'Whole house, lithium', figure: size.lithium },
          { key: 'lead-acid', label: 'Whole house, lead-acid', figure: size['lead-acid'] },
        ]
      : [];
  });
  private readonly explained = computed(() => {
    const bills = explainedWh(this.plan());
    return bills
      ? seasons.map((season) => ({ season, ...bills[season], share: explainedShare(bills[season]) }))
      : [];
  });
  protected readonly rows = computed(() =>
    this.explained().map(({ season, billedWh, listedWh, share }) => ({
      season: seasonLabels[season],
      billed: quantityText(billedWh, 'Wh'),
      listed: quantityText(listedWh, 'Wh'),
      share: `${Math.round(share * 100)} %`,
    })),
  );
  protected readonly hasRest = computed(() => this.plan().loads.some(({ basis }) => basis === 'bills'));
  protected readonly lacksRest = computed(() => this.explained().some(({ share }) => share < 0.95));
  protected readonly warning = computed(() => {
    const [least] = this.explained().toSorted((a, b) => a.share - b.share);
    if (!least) return '';
    if (least.share < enoughExplained && !this.hasRest())
      return `The listed loads explain ${Math.round(least.share * 100)} % of what is billed in ${seasonLabels[least.season].toLowerCase()}: loads are missing, or run longer than was said.`;
    const most = this.explained().toSorted((a, b) => b.share - a.share)[0]!;
    return most.share > 1.25
      ? `The listed loads take more in ${seasonLabels[most.season].toLowerCase()} than was billed (${Math.round(most.share * 100)} %): hours or powers are too high.`
      : '';
  });

  protected set(change: Partial<HouseAnswers>): void {
    this.answers.update((now) => ({ ...now, ...change }));
  }

  protected make(): void {
    this.session.edit('house from its bills', (plan) => {
      const billed = seasonDayWh(plan.usage, plan.site);
      if (!billed) return plan;
      const loads = houseByBills(billed, this.answers(), plan.supply.system, newId);
      const made = addLoads(plan, loads, 0);
      return addLoads(made, [restLoad(newId(), made)], made.loads.length);
    });
  }

  protected addRest(): void {
    this.session.edit('rest of the house', (plan) =>
      addLoads(plan, [restLoad(newId(), plan)], plan.loads.length),
    );
  }
}
