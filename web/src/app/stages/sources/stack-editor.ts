import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { SupplySystem } from '@levamen/core/electric';
import {
  acceptedCount,
  type Catalogue,
  type StackPart,
  stackPartSchema,
  type Unit,
} from '@levamen/core/equipment';
import { AmountField } from '../../ui/amount-field';
import { ChoiceField, type Choice } from '../../ui/choice-field';

/** Puts a stack together by hand: one kind of inverter, and the batteries it takes. */
@Component({
  selector: 'lv-stack-editor',
  imports: [AmountField, ChoiceField],
  template: `
    <lv-choice-field
      label="Inverter"
      [choices]="inverterChoices()"
      [value]="inverterId()"
      (valueChange)="setInverter($event)"
    />
    <lv-amount-field
      label="How many"
      unit="count"
      [schema]="quantity"
      [value]="quantityOf(inverterId())"
      (valueChange)="setQuantity(inverterId(), $event)"
    />
    @for (unit of accepted(); track unit.id) {
      <lv-amount-field
        unit="count"
        [label]="unit.name"
        [optional]="true"
        [hint]="unit.summary"
        [schema]="quantity"
        [value]="quantityOf(unit.id)"
        (valueChange)="setQuantity(unit.id, $event)"
      />
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(10rem, 1.4fr) auto minmax(9rem, 1fr);
      gap: 0.5rem 1rem;
      margin-top: 0.6rem;
      padding-top: 0.6rem;
      border-top: 1px solid var(--rule);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StackEditor {
  readonly parts = input.required<readonly StackPart[]>();
  readonly catalogue = input.required<Catalogue>();
  readonly system = input.required<SupplySystem>();
  readonly partsChange = output<readonly StackPart[]>();

  protected readonly quantity = stackPartSchema.shape.quantity;
  private readonly fitting = computed(() =>
    this.catalogue().filter(({ inverter }) => inverter?.systems.includes(this.system())),
  );
  protected readonly inverterChoices = computed((): Choice<string>[] =>
    this.fitting().map(({ id, name, summary }) => ({ value: id, label: `${name}: ${summary}` })),
  );
  private readonly inverter = computed(
    (): Unit | null =>
      this.fitting().find(({ id }) => this.parts().some(({ unitId }) => unitId === id)) ?? null,
  );
  protected readonly inverterId = computed(() => this.inverter()?.id ?? '');
  protected readonly accepted = computed(() =>
    (this.inverter()?.inverter?.accepts ?? []).flatMap(
      ({ unitId }) => this.catalogue().find(({ id }) => id === unitId) ?? [],
    ),
  );

  protected quantityOf(unitId: string): number | null {
    return this.parts().find((part) => part.unitId === unitId)?.quantity ?? null;
  }

  /** Another inverter takes other batteries: it starts with the least it needs. */
  protected setInverter(unitId: string | null): void {
    const unit = this.fitting().find(({ id }) => id === unitId);
    if (!unit?.inverter) return;
    const quantity = unit.inverter.output === 'one' && this.system() === 'three-230-400' ? 3 : 1;
    this.partsChange.emit([
      { unitId: unit.id, quantity },
      ...unit.inverter.accepts
        .filter(({ least }) => least > 0)
        .map((accepted) => ({
          unitId: accepted.unitId,
          quantity: acceptedCount(accepted, quantity).least,
        })),
    ]);
  }

  protected setQuantity(unitId: string, quantity: number | null): void {
    const others = this.parts().filter((part) => part.unitId !== unitId);
    const own = quantity === null ? [] : [{ unitId, quantity }];
    this.partsChange.emit(unitId === this.inverterId() ? [...own, ...others] : [...others, ...own]);
  }
}
