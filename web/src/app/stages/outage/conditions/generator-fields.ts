import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { UnitSystem } from '@levamen/core/base';
import { type Generator, generatorSchema } from '@levamen/core/design';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { AmountField } from '../../../ui/amount-field';
import { ChoiceField, type Choice } from '../../../ui/choice-field';
import { ScenarioEdits } from './scenario-edits';

/** The generator. */
@Component({
  selector: 'lv-generator-fields',
  imports: [AmountField, Button, Checkbox, ChoiceField, FormsModule],
  template: `
    <div class="grid">
      @if (circuits().length > 1) {
        <lv-choice-field
          label="On circuit"
          [choices]="circuits()"
          [value]="generator().circuitId"
          (valueChange)="edits.setGenerator({ circuitId: $event })"
        />
      }
      <lv-choice-field
        label="Starts"
        [choices]="starts"
        [value]="generator().start"
        (valueChange)="edits.setGenerator({ start: $event ?? 'auto' })"
      />
      <lv-amount-field
        label="Power"
        unit="W"
        [schema]="shape.powerW"
        [value]="generator().powerW"
        (valueChange)="edits.setGenerator({ powerW: $event ?? generator().powerW })"
      />
      <lv-amount-field
        label="For the battery at most"
        unit="W"
        [schema]="shape.chargerW"
        [value]="generator().chargerW"
        (valueChange)="edits.setGenerator({ chargerW: $event ?? 0 })"
      />
      @if (generator().start === 'hand') {
        <lv-amount-field
          label="Until somebody comes"
          unit="min"
          [schema]="shape.comesAfterMin"
          [value]="generator().comesAfterMin"
          (valueChange)="edits.setGenerator({ comesAfterMin: $event ?? 0 })"
        />
      }
      <lv-amount-field
        label="Starts below"
        unit="share"
        [schema]="shape.startBelow"
        [value]="generator().startBelow"
        (valueChange)="edits.setGenerator({ startBelow: $event ?? 0 })"
      />
      <lv-amount-field
        label="Stops above"
        unit="share"
        [schema]="shape.stopAbove"
        [value]="generator().stopAbove"
        (valueChange)="edits.setGenerator({ stopAbove: $event ?? 1 })"
      />
      <lv-amount-field
        label="Warms up"
        unit="min"
        [schema]="shape.warmUpMin"
        [value]="generator().warmUpMin"
        (valueChange)="edits.setGenerator({ warmUpMin: $event ?? 0 })"
      />
      <lv-amount-field
        label="Fuel on site"
        unit="l"
        hint="Empty: a gas line"
        [system]="units()"
        [optional]="true"
        [schema]="shape.fuelL"
        [value]="generator().fuelL"
        (valueChange)="edits.setGenerator({ fuelL: $event })"
      />
      <lv-amount-field
        label="Burns idling"
        unit="l/h"
        [system]="units()"
        [schema]="shape.idleLPerH"
        [value]="generator().idleLPerH"
        (valueChange)="edits.setGenerator({ idleLPerH: $event ?? 0 })"
      />
      <lv-amount-field
        label="Burns at full power"
        unit="l/h"
        [system]="units()"
        [schema]="shape.fullLPerH"
        [value]="generator().fullLPerH"
        (valueChange)="edits.setGenerator({ fullLPerH: $event ?? generator().fullLPerH })"
      />
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
  readonly units = input.required<UnitSystem>();
  protected readonly edits = inject(ScenarioEdits);
  protected readonly shape = generatorSchema.shape;
  protected readonly quiet = generatorSchema.shape.quiet.unwrap().shape;
  protected readonly starts: Choice<Generator['start']>[] = [
    { label: 'by itself, two-wire', value: 'auto' },
    { label: 'by hand at an inlet', value: 'hand' },
  ];

  protected setQuiet(end: 'fromH' | 'toH', hour: number | null): void {
    const now = this.generator().quiet ?? { fromH: 22, toH: 7 };
    this.edits.setGenerator({ quiet: hour === null ? null : { ...now, [end]: hour } });
  }

  protected remove(): void {
    this.edits.removeGenerator();
  }
}
