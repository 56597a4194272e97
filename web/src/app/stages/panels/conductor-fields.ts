import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import {
  type Conductor,
  type ConductorMaterial,
  conductorMaterials,
  conductorSchema,
  type ConductorSize,
  conductorSizes,
  isMetricSize,
} from '@levamen/core/electric';
import { ChoiceField, type Choice } from '../../ui/choice-field';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';

/** Size and material of a conductor, and what its terminals are marked for. Choosing a size first takes copper. */
@Component({
  selector: 'lv-conductor-fields',
  imports: [ChoiceField, FormField],
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
    @if (isAmerican()) {
      <lv-form-field [of]="form" name="ratedC" />
    }
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
  /** Columns by temperature are those of the American table. */
  protected readonly isAmerican = computed(() => {
    const size = this.conductor()?.size;
    return size !== undefined && !isMetricSize(size);
  });
  /** Drawn only where there is a conductor. */
  protected readonly form = formOf<Conductor>(
    conductorSchema.shape,
    computed(() => this.conductor()!),
    (change) => this.change(change),
  );

  protected setSize(size: ConductorSize | null): void {
    if (size === null) this.conductorChange.emit(null);
    else this.conductorChange.emit({ material: 'copper', ratedC: null, ...this.conductor(), size });
  }

  protected setMaterial(material: ConductorMaterial | null): void {
    if (material !== null) this.change({ material });
  }

  private change(change: Partial<Conductor>): void {
    const present = this.conductor();
    if (present) this.conductorChange.emit({ ...present, ...change });
  }
}
