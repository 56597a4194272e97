import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type Device, deviceLabels, deviceSchema } from '@levamen/core/house';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';

/** Something that sits between a panel and what feeds it. */
@Component({
  selector: 'lv-device-fields',
  imports: [Button, Checkbox, FormField, FormsModule],
  template: `
    <div class="pair">
      <lv-form-field [of]="form" name="kind" />
      <lv-form-field [of]="form" name="ratingA" />
      <lv-form-field [of]="form" name="place" />
      <p class="checks">
        <span
          ><p-checkbox
            [inputId]="'meter-' + device().id"
            [binary]="true"
            [ngModel]="device().ownMeter"
            (ngModelChange)="deviceChange.emit({ ownMeter: $event })"
          /><label [for]="'meter-' + device().id">on its own meter</label></span
        >
      </p>
      <p-button
        label="Remove"
        size="small"
        severity="secondary"
        [text]="true"
        [ariaLabel]="'Remove ' + labels[device().kind]"
        (onClick)="removed.emit()"
      />
    </div>
  `,
  styleUrl: './detail.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DeviceFields {
  readonly device = input.required<Device>();
  readonly deviceChange = output<Partial<Device>>();
  readonly removed = output();

  protected readonly labels = deviceLabels;
  protected readonly form = formOf<Device>(deviceSchema.shape, this.device, (change) =>
    this.deviceChange.emit(change),
  );
}
