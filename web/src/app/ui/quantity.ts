import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { type FigureUnit, formatQuantity, type UnitSystem } from '@levamen/core/base';

/** A value with its unit set smaller. */
@Component({
  selector: 'lv-quantity',
  template: `<span class="figure">{{ shown().text }}</span>
    @if (shown().unit !== '') {
      <span class="unit">{{ shown().unit }}</span>
    }`,
  styles: `
    :host {
      white-space: nowrap;
    }
    .unit {
      margin-inline-start: 0.22em;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Quantity {
  readonly value = input.required<number>();
  readonly unit = input.required<FigureUnit>();
  readonly system = input<UnitSystem>('metric');
  protected readonly shown = computed(() => formatQuantity(this.value(), this.unit(), this.system()));
}
