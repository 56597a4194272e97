import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { type Band, bandPrice, maxBands, type Tariff } from '@levamen/core/tariff';
import { nameSchema } from '@levamen/core/base';
import { Button } from 'primeng/button';
import { MoneyField } from '../../../ui/money-field';
import { TextField } from '../../../ui/text-field';

type PriceKey = 'importPerKWh' | 'exportPerKWh';

/** Bands and what a kilowatt-hour costs and earns in each, season by season. */
@Component({
  selector: 'lv-band-prices',
  imports: [Button, MoneyField, TextField],
  template: `
    <div class="scroll" tabindex="0" role="region" aria-label="Prices of the bands">
      <table class="ruled">
        <thead>
          <tr>
            <th scope="col">Band</th>
            @for (season of tariff().seasons; track season.id) {
              <th scope="col">{{ season.name }}: costs</th>
              <th scope="col">sent out earns</th>
            }
            <th scope="col"><span class="visually-hidden">Remove</span></th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.band.id) {
            <tr>
              <td>
                <lv-text-field
                  [label]="'Name of the band ' + row.band.name"
                  [hideLabel]="true"
                  [schema]="name"
                  [value]="row.band.name"
                  (valueChange)="change(row.band.id, { name: $event })"
                />
              </td>
              @for (price of row.prices; track price.seasonId) {
                <td>
                  <lv-money-field
                    [label]="'A kWh costs: ' + price.of"
                    [hideLabel]="true"
                    [optional]="true"
                    [unit]="tariff().currency"
                    [value]="price.importPerKWh"
                    (valueChange)="setPrice(row.band, price.seasonId, 'importPerKWh', $event)"
                  />
                </td>
                <td>
                  <lv-money-field
                    [label]="'A kWh sent out earns: ' + price.of"
                    [hideLabel]="true"
                    [optional]="true"
                    [unit]="tariff().currency"
                    [value]="price.exportPerKWh"
                    (valueChange)="setPrice(row.band, price.seasonId, 'exportPerKWh', $event)"
                  />
                </td>
              }
              <td>
                @if (rows().length > 1) {
                  <p-button
                    icon="pi pi-times"
                    size="small"
                    severity="secondary"
                    [text]="true"
                    [ariaLabel]="'Remove the band ' + row.band.name"
                    (onClick)="remove(row.band.id)"
                  />
                }
              </td>
            </tr>
          }
        </tbody>
      </table>
    </div>
    <p-button
      label="Add a band"
      icon="pi pi-plus"
      size="small"
      [text]="true"
      [disabled]="rows().length >= most"
      (onClick)="add()"
    />
  `,
  styles: `
    .scroll {
      overflow-x: auto;
    }
    td {
      min-width: 8rem;
      vertical-align: top;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BandPrices {
  readonly tariff = input.required<Tariff>();
  readonly changed = output<Partial<Tariff>>();

  protected readonly most = maxBands;
  protected readonly name = nameSchema(40);
  protected readonly rows = computed(() => {
    const { bands, seasons } = this.tariff();
    return bands.map((band) => ({
      band,
      prices: seasons.map(({ id, name }) => {
        const price = band.prices.find((one) => one.id === id);
        return {
          seasonId: id,
          of: `${band.name}, ${name}`,
          importPerKWh: price?.importPerKWh ?? null,
          exportPerKWh: price?.exportPerKWh ?? null,
        };
      }),
    }));
  });

  protected change(id: string, change: Partial<Band>): void {
    this.changed.emit({
      bands: this.tariff().bands.map((band) => (band.id === id ? { ...band, ...change } : band)),
    });
  }

  protected setPrice(band: Band, seasonId: string, key: PriceKey, value: string | null): void {
    const before = band.prices.find(({ id }) => id === seasonId);
    const price = { ...(before ?? bandPrice(seasonId)), [key]: value };
    this.change(band.id, { prices: [...band.prices.filter(({ id }) => id !== seasonId), price] });
  }

  protected add(): void {
    const { bands, seasons } = this.tariff();
    const prices = seasons.map(({ id }) => bandPrice(id));
    this.changed.emit({
      bands: [...bands, { id: crypto.randomUUID(), name: `Band ${bands.length + 1}`, prices }],
    });
  }

  /** With the windows in which it held. */
  protected remove(id: string): void {
    const { bands, windows, demand } = this.tariff();
    this.changed.emit({
      bands: bands.filter((band) => band.id !== id),
      windows: windows.filter(({ bandId }) => bandId !== id),
      demand: demand.map((charge) => ({ ...charge, bandIds: charge.bandIds.filter((one) => one !== id) })),
    });
  }
}
