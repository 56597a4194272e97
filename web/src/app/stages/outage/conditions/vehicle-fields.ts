import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { type Vehicle, vehicleSchema } from '@levamen/core/design';
import { Button } from 'primeng/button';
import type { Choice } from '../../../ui/choice-field';
import { formOf } from '../../../ui/form';
import { FormField } from '../../../ui/form-field';
import { ScenarioEdits } from './scenario-edits';

/** A vehicle that takes part in an outage. */
@Component({
  selector: 'lv-vehicle-fields',
  imports: [Button, FormField],
  template: `
    <div class="grid">
      <lv-form-field [of]="form" name="role" />
      <lv-form-field [of]="form" name="powerW" />
      <lv-form-field [of]="form" name="energyWh" />
      <lv-form-field [of]="form" name="startCharge" />
      @if (vehicle().role === 'source') {
        <lv-form-field [of]="form" name="keeps" />
        <lv-form-field [of]="form" name="feedsBelow" />
      }
      @if (circuits().length > 1) {
        <lv-form-field [of]="form" name="circuitId" [choices]="circuits()" />
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
  protected readonly form = formOf<Vehicle>(vehicleSchema.shape, this.vehicle, (change) =>
    this.edits.setVehicle(change),
  );
}
