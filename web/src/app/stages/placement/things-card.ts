import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { type Placed, placedSchema } from '@levamen/core/design';
import { quantityText } from '@levamen/core/base';
import { lengthText } from '@levamen/core/placement/details';
import { Button } from 'primeng/button';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { PlacementState } from './placement-state';

const nowhere: Placed = { thingId: 'none', wallId: 'none', leftM: 0, bottomM: 0 };

/** Everything of the design that finds a place: what is on this wall, what is elsewhere, what is still to be put up. */
@Component({
  selector: 'lv-things-card',
  imports: [Button, FormField],
  template: `
    <section class="sheet" aria-labelledby="things-heading">
      <h2 id="things-heading">What is to be placed</h2>
      @if (chosen(); as one) {
        <div class="chosen">
          <h3>{{ one.name }}</h3>
          <p class="small soft">{{ one.detail }}</p>
          @if (one.isPlaced) {
            <div class="pair">
              <lv-form-field [of]="form" name="leftM" />
              <lv-form-field [of]="form" name="bottomM" />
            </div>
          }
        </div>
      }
      <ul>
        @for (row of rows(); track row.id) {
          <li [class.now]="row.id === state.chosen()">
            <button type="button" class="name" (click)="state.show(row.id)">{{ row.name }}</button>
            <span class="small soft">{{ row.where }}</span>
            @if (row.isPlaced) {
              <p-button
                label="Take off"
                size="small"
                [text]="true"
                [ariaLabel]="'Take ' + row.name + ' off its wall'"
                (onClick)="state.takeDown([row.id])"
              />
            } @else if (state.wall()) {
              <p-button
                label="Put here"
                size="small"
                [text]="true"
                [ariaLabel]="'Put ' + row.name + ' on this wall'"
                (onClick)="putHere(row.id)"
              />
            }
          </li>
        } @empty {
          <li class="soft">No units are chosen yet: see Sources.</li>
        }
      </ul>
    </section>
  `,
  styles: `
    .sheet {
      padding: 0.8rem 0.95rem;
    }
    .chosen {
      border-inline-start: 3px solid var(--accent);
      padding-inline-start: 0.6rem;
      margin-block-end: 0.5rem;
    }
    .pair {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 0.3rem 0.7rem;
    }
    ul {
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: 1fr auto auto;
      align-items: center;
      gap: 0.3rem 0.6rem;
      border-bottom: 1px solid var(--rule);
      padding: 0.15rem 0;
    }
    li.now .name {
      font-weight: 700;
    }
    .name {
      background: none;
      border: 0;
      padding: 0.2rem 0;
      text-align: start;
      cursor: pointer;
      min-height: 24px;
    }
    .name:focus-visible {
      outline: 2px solid var(--accent);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ThingsCard {
  protected readonly state = inject(PlacementState);

  protected readonly rows = computed(() => {
    const placed = new Map(this.state.placed().map((one) => [one.thing.id, one]));
    return this.state.things().map(({ id, name, isOptional }) => {
      const one = placed.get(id);
      const where = one ? `wall ${one.wall.name}` : isOptional ? 'may be left out' : 'not placed';
      return { id, name, isPlaced: one !== undefined, where };
    });
  });
  private readonly place = computed(
    (): Placed =>
      this.state.plan()?.placement.placed.find(({ thingId }) => thingId === this.state.chosen()) ?? nowhere,
  );
  protected readonly chosen = computed(() => {
    const thing = this.state.things().find(({ id }) => id === this.state.chosen());
    if (!thing) return null;
    const units = this.state.units();
    const size = [thing.widthM, thing.heightM, thing.depthM].map((m) => lengthText(m, units)).join(' × ');
    return {
      name: thing.name,
      isPlaced: this.place() !== nowhere,
      detail: [
        `${size}${thing.isSizeAssumed ? ' (usual size: no data sheet says it)' : ''}`,
        thing.massKg === null ? '' : quantityText(thing.massKg, 'kg', units),
        thing.energyWh > 0 ? quantityText(thing.energyWh, 'Wh', units) : '',
      ]
        .filter((part) => part !== '')
        .join(', '),
    };
  });
  protected readonly form = formOf<Placed>(
    placedSchema.shape,
    this.place,
    (change, label) => this.state.put([{ ...this.place(), ...change }], label),
    { units: this.state.units },
  );

  protected putHere(id: string): void {
    const thing = this.state.things().find((one) => one.id === id);
    if (thing) this.state.putHere(thing);
  }
}
