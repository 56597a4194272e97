import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import {
  type Conductor,
  type ConductorMaterial,
  conductorMaterials,
  type ConductorSize,
  conductorSizes,
} from '@levamen/core/electric';
import { ChoiceField, type Choice } from '../../ui/choice-field';

/** Size and material of a conductor. Choosing a size first takes copper. */
@Component({
  selector: 'lv-conductor-fields',
  imports: [ChoiceField],
  template: `
    <lv-choice-field
      label="Conductor"
      [choices]="sizes"
      [value]="conductor()?.size ?? null"
      (valueChange)="setSize($event)"
    />
    <lv-choice-field
      label="Material"
      [choices]="materials"
      [value]="conductor()?.material ?? null"
      (valueChange)="setMaterial($event)"
    />
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConductorFields {
  readonly conductor = input.required<Conductor | null>();
  readonly conductorChange = output<Conductor | null>();

  protected readonly sizes: Choice<ConductorSize>[] = conductorSizes.map((value) => ({
    value,
    label: value,
  }));
  protected readonly materials: Choice<ConductorMaterial>[] = conductorMaterials.map((value) => ({
    value,
    label: value,
  }));

  protected setSize(size: ConductorSize | null): void {
    this.conductorChange.emit(size && { material: this.conductor()?.material ?? 'copper', size });
  }

  protected setMaterial(material: ConductorMaterial | null): void {
    const present = this.conductor();
    if (present && material) this.conductorChange.emit({ ...present, material });
  }
}
