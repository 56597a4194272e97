import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { maxTariffBands, type TariffBand } from '@levamen/core/house';
import { Button } from 'primeng/button';
import { TariffBandFields } from './tariff-band-fields';

/** The price bands of a service's tariff, as they stand on its sheet. */
@Component({
  selector: 'lv-tariff-bands',
  imports: [Button, TariffBandFields],
  template: `
    <h4>Price bands</h4>
    @for (band of bands(); track band.id) {
      <lv-tariff-band-fields
        [band]="band"
        (bandChange)="change(band.id, $event)"
        (removed)="remove(band.id)"
      />
    } @empty {
      <p class="small soft">None: a kilowatt-hour costs the same at any time, as far as is known.</p>
    }
    <p-button
      label="Add a price band"
      icon="pi pi-plus"
      size="small"
      [text]="true"
      [disabled]="bands().length >= most"
      (onClick)="add()"
    />
  `,
  styleUrl: './detail.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TariffBands {
  readonly bands = input.required<readonly TariffBand[]>();
  readonly bandsChange = output<TariffBand[]>();
  protected readonly most = maxTariffBands;

  protected add(): void {
    const before = this.bands().at(-1);
    const band: TariffBand = {
      id: crypto.randomUUID(),
      name: `Band ${this.bands().length + 1}`,
      fromH: before?.toH ?? 0,
      toH: before ? (this.bands()[0]?.fromH ?? 0) : 0,
      days: before?.days ?? 'all',
      season: before?.season ?? 'all',
      perKWh: null,
    };
    this.bandsChange.emit([...this.bands(), band]);
  }

  protected change(id: string, change: Partial<TariffBand>): void {
    this.bandsChange.emit(this.bands().map((band) => (band.id === id ? { ...band, ...change } : band)));
  }

  protected remove(id: string): void {
    this.bandsChange.emit(this.bands().filter((band) => band.id !== id));
  }
}
