import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import {
  emptyLot,
  type Lot,
  lotSchema,
  type LotMark,
  type MarkKind,
  markKinds,
  markSchema,
  type Wall,
  wallSchema,
} from '@levamen/core/house';
import { rectangleHouse } from '@levamen/core/house/details';
import { lotDrawing } from '@levamen/core/placement/details';
import { Button } from 'primeng/button';
import { DrawingExports } from '../../drawings/drawing-exports';
import { DrawingShapes } from '../../drawings/drawing-shapes';
import { ChoiceField, type Choice } from '../../ui/choice-field';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { formsOf } from '../../ui/forms-of';
import { CornersCard } from './corners-card';
import { PlacementState } from './placement-state';

const blankMark: LotMark = { id: '', kind: 'other', name: '', eastM: 0, northM: 0, widthM: 0, depthM: 0 };

/** The house on its lot, north up: enough for the site sketch of a permit. */
@Component({
  selector: 'lv-lot-view',
  imports: [Button, ChoiceField, CornersCard, DrawingExports, DrawingShapes, FormField],
  template: `
    @if (drawing(); as sheet) {
      <lv-drawing-exports [drawing]="sheet" name="plan of the lot" scale="as drawn" />
      <div class="paper">
        <svg
          [attr.viewBox]="'0 0 ' + sheet.widthMm + ' ' + sheet.heightMm"
          role="img"
          aria-label="Plan of the lot, north up"
        >
          <svg:g lvDrawing [drawing]="sheet" />
        </svg>
      </div>
    } @else {
      <p>
        Enter the outline of the house: as a rectangle, or corner by corner. Walls then lie on its sides, and
        face as these do.
      </p>
      <p>
        <p-button
          label="A rectangle, front to the south"
          icon="pi pi-plus"
          size="small"
          [outlined]="true"
          (onClick)="addRectangle()"
        />
      </p>
    }
    <div class="cards">
      <lv-corners-card />
      <section aria-labelledby="sides-heading">
        <h3 id="sides-heading">Walls on its sides</h3>
        @for (row of walls(); track row.id) {
          <div class="pair">
            <lv-choice-field
              [label]="'Wall ' + row.name"
              [choices]="sides()"
              [value]="row.side"
              (valueChange)="setSide(row.id, $event)"
            />
            <lv-form-field [of]="row.form" name="alongM" />
          </div>
        }
      </section>
      <section aria-labelledby="marks-heading">
        <h3 id="marks-heading">On the lot</h3>
        @for (row of marks(); track row.id) {
          <details>
            <summary>{{ row.label }}</summary>
            <div class="pair">
              @for (name of markNames; track name) {
                <lv-form-field [of]="row.form" [name]="name" />
              }
            </div>
            <p-button
              label="Remove"
              size="small"
              severity="secondary"
              [text]="true"
              [ariaLabel]="'Remove ' + row.label"
              (onClick)="removeMark(row.id)"
            />
          </details>
        }
        <p class="add">
          <p-button
            label="Meter"
            icon="pi pi-plus"
            size="small"
            [outlined]="true"
            (onClick)="addMark('meter')"
          />
          <p-button
            label="Driveway"
            icon="pi pi-plus"
            size="small"
            [outlined]="true"
            (onClick)="addMark('driveway')"
          />
          <p-button
            label="Something else"
            icon="pi pi-plus"
            size="small"
            [outlined]="true"
            (onClick)="addMark('other')"
          />
        </p>
      </section>
      <section aria-labelledby="ground-heading">
        <h3 id="ground-heading">The place</h3>
        <div class="pair">
          @for (name of lotNames; track name) {
            <lv-form-field [of]="form" [name]="name" />
          }
        </div>
      </section>
    </div>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.6rem;
    }
    .paper {
      background: var(--sheet-raised);
      border: 1px solid var(--rule);
    }
    svg {
      display: block;
      width: 100%;
      max-height: 26rem;
      font-family: var(--figures);
    }
    .cards {
      display: grid;
      grid-template-columns: repeat(2, minmax(0, 1fr));
      gap: 0.8rem 1.2rem;
    }
    @media (width < 50rem) {
      .cards {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  styleUrl: './said-things.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LotView {
  private readonly state = inject(PlacementState);

  protected readonly lotNames = ['floodM', 'snowM', 'saltAir', 'seismic', 'altitudeM'] as const;
  protected readonly markNames = ['kind', 'name', 'eastM', 'northM', 'widthM', 'depthM'] as const;
  private readonly lot = computed((): Lot | null => this.state.lot());
  protected readonly drawing = computed(() => {
    const lot = this.lot();
    return lot && lotDrawing(lot, this.state.placed(), this.state.units());
  });
  protected readonly sides = computed((): Choice<number | null>[] => [
    { value: null, label: 'on none' },
    ...(this.lot()?.corners ?? []).map((_, index) => ({ value: index, label: `from corner ${index + 1}` })),
  ]);
  private readonly wallForms = formsOf<Wall>(
    wallSchema.shape,
    computed(() => this.lot()?.walls ?? []),
    (edit, label) => this.state.changeLot(label, (lot) => ({ ...lot, walls: edit(lot.walls) })),
    { units: this.state.units },
  );
  protected readonly walls = computed(() =>
    this.wallForms().map(({ id, value, form }) => ({ id, form, name: value().name, side: value().side })),
  );
  private readonly markForms = formsOf<LotMark>(
    markSchema.shape,
    computed(() => this.lot()?.marks ?? []),
    (edit, label) => this.state.changeLot(label, (lot) => ({ ...lot, marks: edit(lot.marks) })),
    { units: this.state.units },
  );
  protected readonly marks = computed(() =>
    this.markForms().map(({ id, value, form }) => {
      const { name, kind } = value();
      return { id, form, label: name === '' ? markKinds[kind] : name };
    }),
  );
  protected readonly form = formOf<Lot>(
    lotSchema.shape,
    computed(() => this.lot() ?? emptyLot()),
    (change, label) => this.state.changeLot(label, (lot) => ({ ...lot, ...change })),
    { units: this.state.units },
  );

  protected addRectangle(): void {
    this.state.changeLot('outline', (lot) => ({ ...lot, corners: rectangleHouse(12, 9, 180) }));
  }

  protected setSide(id: string, side: number | null): void {
    this.state.changeWall(id, { side }, 'side of the house');
  }

  protected addMark(kind: MarkKind): void {
    const size = kind === 'meter' ? 0 : kind === 'driveway' ? 3 : 1;
    this.state.changeLot('on the lot', (lot) => ({
      ...lot,
      marks: [
        ...lot.marks,
        { ...blankMark, id: crypto.randomUUID(), kind, northM: -size, widthM: size, depthM: size },
      ],
    }));
  }

  protected removeMark(id: string): void {
    this.state.changeLot('removed from the lot', (lot) => ({
      ...lot,
      marks: lot.marks.filter((mark) => mark.id !== id),
    }));
  }
}
