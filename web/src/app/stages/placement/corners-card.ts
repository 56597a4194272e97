import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { type Corner, cornerSchema } from '@levamen/core/house';
import { Button } from 'primeng/button';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { PlacementState } from './placement-state';

const origin: Corner = { eastM: 0, northM: 0 };

/** The corners of the house, one after the other. */
@Component({
  selector: 'lv-corners-card',
  imports: [Button, FormField],
  template: `
    <h3>Outline of the house</h3>
    <p class="small soft">
      Anticlockwise seen from above: each side runs from left to right for who stands before it.
    </p>
    @for (row of rows(); track row.index) {
      <div class="row">
        <span class="figure">{{ row.index + 1 }}</span>
        <lv-form-field
          [of]="row.form"
          name="eastM"
          [hideLabel]="true"
          [label]="'Corner ' + (row.index + 1) + ', east'"
        />
        <lv-form-field
          [of]="row.form"
          name="northM"
          [hideLabel]="true"
          [label]="'Corner ' + (row.index + 1) + ', north'"
        />
        <p-button
          icon="pi pi-times"
          size="small"
          severity="secondary"
          [text]="true"
          [ariaLabel]="'Remove corner ' + (row.index + 1)"
          (onClick)="remove(row.index)"
        />
      </div>
    }
    <p-button label="Add a corner" icon="pi pi-plus" size="small" [outlined]="true" (onClick)="add()" />
  `,
  styles: `
    .row {
      display: grid;
      grid-template-columns: 1.2rem 1fr 1fr auto;
      gap: 0.4rem;
      align-items: baseline;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CornersCard {
  private readonly state = inject(PlacementState);
  private readonly corners = computed(() => this.state.lot()?.corners ?? []);
  private readonly count = computed(() => this.corners().length);

  protected readonly rows = computed(() =>
    Array.from({ length: this.count() }, (_, index) => ({
      index,
      form: formOf<Corner>(
        cornerSchema.shape,
        computed(() => this.corners()[index] ?? origin),
        (change, label) =>
          this.change(label, (all) => all.map((one, at) => (at === index ? { ...one, ...change } : one))),
        { units: this.state.units },
      ),
    })),
  );

  protected add(): void {
    const last = this.corners().at(-1) ?? origin;
    this.change('corner', (all) => [
      ...all,
      { eastM: last.eastM, northM: last.northM + (all.length === 0 ? 0 : 3) },
    ]);
  }

  protected remove(index: number): void {
    this.change('corner removed', (all) => all.filter((_, at) => at !== index));
  }

  private change(label: string, change: (all: Corner[]) => Corner[]): void {
    this.state.changeLot(label, (lot) => ({ ...lot, corners: change(lot.corners) }));
  }
}
