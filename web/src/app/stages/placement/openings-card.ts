import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type Opening, type OpeningKind, openingSchema } from '@levamen/core/house';
import { newOpening } from '@levamen/core/house/details';
import { openingName } from '@levamen/core/placement/details';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import { FormField } from '../../ui/form-field';
import { formsOf } from '../../ui/forms-of';
import { openingChoices } from './opening-choices';
import { PlacementState } from './placement-state';

/** Doors, windows, meters and whatever else is on a wall. */
@Component({
  selector: 'lv-openings-card',
  imports: [Button, FormField, FormsModule, Select],
  template: `
    <h3>On the wall</h3>
    @for (row of rows(); track row.id) {
      <details>
        <summary>{{ row.name }}</summary>
        <div class="pair">
          @for (name of names; track name) {
            <lv-form-field [of]="row.form" [name]="name" />
          }
        </div>
        <p-button
          label="Remove"
          size="small"
          severity="secondary"
          [text]="true"
          [ariaLabel]="'Remove ' + row.name"
          (onClick)="remove(row.id)"
        />
      </details>
    } @empty {
      <p class="small soft">Nothing: the wall is bare.</p>
    }
    <div class="add">
      <p-select
        ariaLabel="What is on the wall"
        optionLabel="label"
        optionValue="value"
        size="small"
        [options]="kinds"
        [ngModel]="kind()"
        (ngModelChange)="kind.set($event)"
      />
      <p-button
        label="Add"
        icon="pi pi-plus"
        size="small"
        ariaLabel="Add it to the wall"
        [outlined]="true"
        (onClick)="add()"
      />
    </div>
  `,
  styles: `
    :host {
      display: block;
      margin-block-start: 0.7rem;
    }
    .add p-select {
      flex: 1;
      min-width: 0;
    }
  `,
  styleUrl: './said-things.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OpeningsCard {
  private readonly state = inject(PlacementState);

  protected readonly names = ['kind', 'name', 'leftM', 'bottomM', 'widthM', 'heightM'] as const;
  protected readonly kinds = openingChoices;
  protected readonly kind = signal<OpeningKind>('door');
  private readonly forms = formsOf<Opening>(
    openingSchema.shape,
    computed(() => this.state.wall()?.openings ?? []),
    (edit, label) => this.change(label, edit),
    { units: this.state.units },
  );
  protected readonly rows = computed(() =>
    this.forms().map(({ id, value, form }) => ({ id, form, name: openingName(value()) })),
  );

  protected add(): void {
    const wall = this.state.wall();
    if (wall)
      this.change('on the wall', (all) => [...all, newOpening(crypto.randomUUID(), this.kind(), wall)]);
  }

  protected remove(id: string): void {
    this.change('removed from the wall', (all) => all.filter((one) => one.id !== id));
  }

  private change(label: string, change: (all: Opening[]) => Opening[]): void {
    const wall = this.state.wall();
    if (wall) this.state.changeWall(wall.id, { openings: change(wall.openings) }, label);
  }
}
