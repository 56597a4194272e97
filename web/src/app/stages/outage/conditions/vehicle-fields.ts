import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { type Vehicle, vehicleSchema } from '@levamen/core/design';
import { Button } from 'primeng/button';
import { AmountField } from '../../../ui/amount-field';
import { ChoiceField, type Choice } from '../../../ui/choice-field';
import { ScenarioEdits } from './scenario-edits';

/** A vehicle that takes part in an outage. */
@Component({
  selector: 'lv-vehicle-fields',
  imports: [AmountField, Button, ChoiceField],
  template: `
    <div class="grid">
      @if (circuits().length > 1) {
        <lv-choice-field
          label="On circuit"
          [choices]="circuits()"
          [value]="vehicle().circuitId"
          (valueChange)="edits.setVehicle({ circuitId: $event })"
        />
      }
      <lv-choice-field
        label="It is"
        [choices]="roles"
        [value]="vehicle().role"
        (valueChange)="edits.setVehicle({ role: $event ?? 'source' })"
      />
      <lv-amount-field
        label="Power"
        unit="W"
        [schema]="shape.powerW"
        [value]="vehicle().powerW"
        (valueChange)="edits.setVehicle({ powerW: $event ?? vehicle().powerW })"
      />
      <lv-amount-field
        label="Its battery"
        unit="kWh"
        [schema]="shape.energyWh"
        [value]="vehicle().energyWh"
        (valueChange)="edits.setVehicle({ energyWh: $event ?? vehicle().energyWh })"
      />
      <lv-amount-field
        label="Charged at the start"
        unit="share"
        [schema]="shape.startCharge"
        [value]="vehicle().startCharge"
        (valueChange)="edits.setVehicle({ startCharge: $event ?? 0 })"
      />
      @if (vehicle().role === 'source') {
        <lv-amount-field
          label="Keeps for driving"
          unit="share"
          [schema]="shape.keeps"
          [value]="vehicle().keeps"
          (valueChange)="edits.setVehicle({ keeps: $event ?? 0 })"
        />
        <lv-amount-field
          label="Feeds below a charge of"
          unit="share"
          [schema]="shape.feedsBelow"
          [value]="vehicle().feedsBelow"
          (valueChange)="edits.setVehicle({ feedsBelow: $event ?? 0 })"
        />
      }
    </div>
    <p-button
      label="Remove"
      icon="pi pi-trash"
      size="small"
      [text]="true"
      ariaLabel="Remove the vehicle"
      (onClick)="edits.removeVehicle()"
    />
  `,
  styleUrl: './conditions.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VehicleFields {
  readonly vehicle = input.required<Vehicle>();
  readonly circuits = input.required<readonly Choice<string | null>[]>();
  protected readonly edits = inject(ScenarioEdits);
  protected readonly shape = vehicleSchema.shape;
  protected readonly roles: Choice<Vehicle['role']>[] = [
    { label: 'a source', value: 'source' },
    { label: 'a sink for spare sun', value: 'sink' },
  ];
}
