import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import { pricedMaterial } from '@levamen/core/offer/details';
import { materialKindNames } from '@levamen/core/wiring';
import { Button } from 'primeng/button';
import { unparse } from 'papaparse';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { WiringStudies } from '../../data/wiring-studies';
import { moneyText } from '../../ui/money-text';
import { downloadBlob, fileStem } from '../../ui/download';

/** What is bought for the wiring beside the units. */
@Component({
  selector: 'lv-material-view',
  imports: [Button],
  template: `
    <div class="bar">
      <p class="small soft">
        Lengths are those of the runs, as entered or taken for granted: cuttings and bends come on top.
        Breakers are of the family the panel is listed for; for what has no ratings, such as a lug or a
        connector, a part of the same name in the list is meant. What is there already is not in it.
      </p>
      <p-button
        label="CSV"
        icon="pi pi-download"
        size="small"
        [text]="true"
        ariaLabel="Material as CSV"
        (onClick)="csv()"
      />
    </div>
    <div class="scroll" tabindex="0" role="region" aria-label="Material of the wiring">
      <table class="ruled by-row small">
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">Kind</th>
            <th scope="col" class="number">Quantity</th>
            @if (priced()) {
              <th scope="col">In the company’s list</th>
              <th scope="col" class="number">Net price</th>
            }
            <th scope="col">Where</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.name) {
            <tr>
              <th scope="row" class="figure">{{ row.name }}</th>
              <td>{{ row.kind }}</td>
              <td class="number figure">{{ row.quantity }}</td>
              @if (priced()) {
                <td>{{ row.item }}</td>
                <td class="number figure">{{ row.price }}</td>
              }
              <td class="soft">{{ row.where }}</td>
            </tr>
          } @empty {
            <tr>
              <td colspan="6" class="soft">Nothing new is wired yet: choose how the house is backed up.</td>
            </tr>
          }
        </tbody>
      </table>
    </div>
    @if (sum(); as sum) {
      <p class="small" data-material-sum>
        <b class="figure">{{ sum.total }}</b> for what has a price, net, after discount.
        @if (sum.missing > 0) {
          {{ sum.missing }} of {{ rows().length }} lines have none.
        }
        {{ sum.inPrice }}
      </p>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.4rem;
    }
    .bar {
      display: flex;
      justify-content: space-between;
      align-items: start;
      gap: 0.6rem;
    }
    .scroll {
      overflow-x: auto;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MaterialView {
  private readonly studies = inject(WiringStudies);
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly units = this.evaluations.units;

  private readonly material = computed(() => this.studies.answer()?.material ?? []);
  /** At the prices of the list the job is designed with; null = it has none. */
  protected readonly priced = computed(() => {
    const book = this.evaluations.book();
    return book && pricedMaterial(this.material(), this.evaluations.items(), book);
  });
  protected readonly rows = computed(() => {
    const priced = this.priced();
    return this.material().map(({ kind, name, quantity, unit, where }, index) => {
      const { item = null, bought = null, amount = null } = priced?.lines[index] ?? {};
      const more =
        bought === null || bought === quantity ? '' : `, ${quantityText(bought, unit, this.units())}`;
      return {
        name,
        kind: materialKindNames[kind],
        quantity: quantityText(quantity, unit, this.units()),
        item: item === null ? '–' : `${item}${more}`,
        price: amount === null || !priced ? '–' : moneyText(amount, priced.currency),
        where: where.join('; '),
      };
    });
  });
  protected readonly sum = computed(() => {
    const priced = this.priced();
    if (!priced || priced.lines.length === 0) return null;
    return {
      total: moneyText(priced.total, priced.currency),
      missing: priced.missing.length,
      inPrice:
        priced.wire === 'no prices'
          ? 'The price of the design counts wire and conduit by length: the list has no price for them.'
          : 'The price of the design counts it line by line.',
    };
  });

  protected csv(): void {
    const text = unparse(
      this.material().map(({ kind, name, quantity, unit, where }, index) => {
        const { item = null, amount = null } = this.priced()?.lines[index] ?? {};
        return {
          Kind: materialKindNames[kind],
          What: name,
          Quantity: quantity,
          Unit: unit === 'm' ? 'm' : 'pieces',
          Item: item ?? '',
          'Net price': amount ?? '',
          Where: where.join('; '),
        };
      }),
      // A cell that begins like a formula is text in a spreadsheet.
      { escapeFormulae: true },
    );
    downloadBlob(
      new Blob([text], { type: 'text/csv' }),
      `${fileStem(this.session.job()?.name ?? 'job')}-material.csv`,
    );
  }
}
