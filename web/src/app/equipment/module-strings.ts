import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import { amountSchema, type UnitSystem } from '@levamen/core/base';
import type { ItemDraft } from '@levamen/core/equipment/details';
import { longestString } from '@levamen/core/equipment/details';
import { AmountField } from '../ui/amount-field';

const numberOf = (value: unknown): number | null => (typeof value === 'number' ? value : null);

/** How many of a solar module stand in series on each input of the list, in the coldest hour of a place. */
@Component({
  selector: 'lv-module-strings',
  imports: [AmountField],
  template: `
    <fieldset>
      <legend>Strings</legend>
      @if (known()) {
        <lv-amount-field
          label="Coldest hour of the place"
          unit="°C"
          [system]="units()"
          [schema]="temperature"
          [value]="coldestC()"
          (valueChange)="coldestC.set($event ?? coldestC())"
        />
        <ul class="small">
          @for (row of rows(); track row.name) {
            <li>{{ row.name }}: {{ row.text }}</li>
          } @empty {
            <li class="soft">
              No solar inverter or charge controller in the list says what its input bears.
            </li>
          }
        </ul>
      } @else {
        <p class="small soft">
          Enter the open-circuit voltage and what it changes by a degree: the longest strings follow from
          them.
        </p>
      }
    </fieldset>
  `,
  styleUrls: ['./fieldset.css', './item-links.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ModuleStrings {
  readonly draft = input.required<ItemDraft>();
  readonly units = input.required<UnitSystem>();
  /** Everything in the list. */
  readonly drafts = input.required<readonly ItemDraft[]>();

  protected readonly temperature = amountSchema(-60, 25, '°C');
  protected readonly coldestC = signal(-20);
  protected readonly known = computed(() => {
    const { ratings } = this.draft();
    const openCircuitV = numberOf(ratings['openCircuitV']);
    const perC = numberOf(ratings['voltagePerC']);
    return openCircuitV !== null && perC !== null ? { openCircuitV, perC } : null;
  });
  protected readonly rows = computed(() => {
    const known = this.known();
    if (!known) return [];
    return this.drafts().flatMap(({ kind, name, ratings }) => {
      const mostDcV = numberOf(ratings['mostDcV']);
      if ((kind !== 'solar-inverter' && kind !== 'charge-controller') || mostDcV === null) return [];
      const { modules, moduleV } = longestString(known.openCircuitV, known.perC, this.coldestC(), mostDcV);
      const text =
        modules === 0
          ? `not one: ${moduleV.toFixed(1)} V each, and it bears ${mostDcV} V`
          : `up to ${modules} in series, ${(modules * moduleV).toFixed(0)} V of ${mostDcV} V`;
      return [{ name, text }];
    });
  });
}
