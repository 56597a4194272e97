import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { UnitSystem } from '@levamen/core/base';
import { type LegSet, type SupplySystem, systemFacts } from '@levamen/core/electric';
import { type Generator, generatorSchema } from '@levamen/core/design';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { AmountField } from '../../../ui/amount-field';
import type { Choice } from '../../../ui/choice-field';
import { formOf } from '../../../ui/form';
import { FormField } from '../../../ui/form-field';
import { CircuitsField } from './circuits-field';
import { ScenarioEdits } from './scenario-edits';

/** The generator. */
@Component({
  selector: 'lv-generator-fields',
  imports: [AmountField, Button, Checkbox, CircuitsField, FormField, FormsModule],
  template: `
    <div class="grid">
      <lv-form-field [of]="form" name="start" />
      <lv-form-field [of]="form" name="existing" />
      <lv-form-field [of]="form" name="powerW" />
      <lv-form-field [of]="form" name="connection" />
      @if (legs().length > 2 && generator().connection !== 'charger') {
        <lv-form-field [of]="form" name="legs" [choices]="legs()" />
      }
      <lv-form-field [of]="form" name="chargerW" />
      @if (generator().start === 'hand') {
        <lv-form-field [of]="form" name="comesAfterMin" />
      }
      <lv-form-field [of]="form" name="startBelow" />
      <lv-form-field [of]="form" name="stopAbove" />
      <lv-form-field [of]="form" name="warmUpMin" />
      <lv-form-field [of]="form" name="fuelL" />
      <lv-form-field [of]="form" name="idleLPerH" />
      <lv-form-field [of]="form" name="fullLPerH" />
      @if (circuits().length > 1) {
        <lv-form-field [of]="form" name="circuitId" [choices]="circuits()" />
        @if (generator().start === 'hand') {
          <lv-circuits-field
            label="Switched off while it runs"
            hint="by whoever starts it, where it cannot carry the house"
            [circuits]="circuits()"
            [value]="generator().offWhileItRuns"
            (valueChange)="edits.setGenerator({ offWhileItRuns: $event })"
          />
        }
      }
      <lv-amount-field
        label="Quiet from"
        unit="count"
        hint="Clock hour; empty: never quiet"
        [optional]="true"
        [schema]="quiet.fromH"
        [value]="generator().quiet?.fromH ?? null"
        (valueChange)="setQuiet('fromH', $event)"
      />
      <lv-amount-field
        label="Quiet until"
        unit="count"
        [optional]="true"
        [schema]="quiet.toH"
        [value]="generator().quiet?.toH ?? null"
        (valueChange)="setQuiet('toH', $event)"
      />
    </div>
    <p class="row small">
      <p-checkbox
        inputId="locks-solar-out"
        [binary]="true"
        [ngModel]="generator().locksSolarOut"
        (ngModelChange)="edits.setGenerator({ locksSolarOut: $event })"
      />
      <label for="locks-solar-out">Solar with inverters of its own is kept off while it runs</label>
      <p-button
        label="Remove"
        icon="pi pi-trash"
        size="small"
        [text]="true"
        ariaLabel="Remove the generator"
        (onClick)="remove()"
      />
    </p>
    <p class="small soft">
      No path may let it feed the grid or be fed by solar: an interlock or transfer switch, by a licensed
      electrician. Run it outdoors only.
    </p>
  `,
  styleUrl: './conditions.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GeneratorFields {
  readonly generator = input.required<Generator>();
  readonly circuits = input.required<readonly Choice<string | null>[]>();
  readonly system = input.required<SupplySystem>();
  readonly units = input.required<UnitSystem>();
  protected readonly edits = inject(ScenarioEdits);
  protected readonly form = formOf<Generator>(
    generatorSchema.shape,
    this.generator,
    (change) => this.edits.setGenerator(change),
    { units: this.units },
  );
  protected readonly legs = computed((): Choice<LegSet | null>[] => [
    { label: 'all alike', value: null },
    ...systemFacts[this.system()].legSets.map((set) => ({ label: set, value: set })),
  ]);
  protected readonly quiet = generatorSchema.shape.quiet.unwrap().shape;
  protected setQuiet(end: 'fromH' | 'toH', hour: number | null): void {
    const now = this.generator().quiet ?? { fromH: 22, toH: 7 };
    this.edits.setGenerator({ quiet: hour === null ? null : { ...now, [end]: hour } });
  }

  protected remove(): void {
    this.edits.removeGenerator();
  }
}
