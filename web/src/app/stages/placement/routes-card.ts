import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { legWarnings, routeEnds, type RouteEnd } from '@levamen/core/design';
import {
  legSchema,
  type LegKind,
  type RouteLeg,
  type Wall,
  type WallRoute,
  wallRouteSchema,
} from '@levamen/core/house';
import { Button } from 'primeng/button';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { PlacementState } from './placement-state';

const endNames: Readonly<Record<RouteEnd, string>> = {
  panel: 'the panel',
  meter: 'the meter',
  array: 'the array',
  generator: 'the generator',
};
const noRoute: WallRoute = { to: 'panel', fromM: 0, atM: 0, legs: [] };
const noLeg: RouteLeg = { kind: 'surface', lengthM: 1 };

/** How conduits leave a wall, and run to what they are connected to. */
@Component({
  selector: 'lv-routes-card',
  imports: [Button, FormField],
  template: `
    <h3>Conduits from here</h3>
    @for (route of routes(); track route.to) {
      <details>
        <summary>To {{ route.name }}: {{ route.text }}</summary>
        <div class="pair">
          <lv-form-field [of]="route.form" name="fromM" />
          <lv-form-field [of]="route.form" name="atM" />
        </div>
        @for (leg of route.legs; track $index) {
          <div class="pair leg">
            <lv-form-field [of]="leg.form" name="kind" />
            <lv-form-field [of]="leg.form" name="lengthM" />
            <p-button
              icon="pi pi-times"
              size="small"
              severity="secondary"
              [text]="true"
              [ariaLabel]="'Remove leg ' + ($index + 1) + ' to ' + route.name"
              (onClick)="removeLeg(route.to, $index)"
            />
          </div>
          @if (leg.warning !== '') {
            <p class="small soft">{{ leg.warning }}</p>
          }
        }
        <p-button
          label="Add a leg"
          icon="pi pi-plus"
          size="small"
          [text]="true"
          [ariaLabel]="'Add a leg to ' + route.name"
          (onClick)="addLeg(route.to)"
        />
        <p-button
          label="Remove the route"
          size="small"
          severity="secondary"
          [text]="true"
          [ariaLabel]="'Remove the route to ' + route.name"
          (onClick)="remove(route.to)"
        />
      </details>
    }
    <p class="add">
      @for (end of missing(); track end.to) {
        <p-button
          [label]="'To ' + end.name"
          icon="pi pi-plus"
          size="small"
          [outlined]="true"
          (onClick)="add(end.to)"
        />
      }
    </p>
  `,
  styles: `
    :host {
      display: block;
      margin-block-start: 0.7rem;
    }
    .leg {
      grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr) auto;
      align-items: start;
    }
  `,
  styleUrl: './said-things.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RoutesCard {
  private readonly state = inject(PlacementState);
  private readonly said = computed(() => this.state.wall()?.routes ?? []);

  protected readonly routes = computed(() =>
    this.shape().map(({ to, legs }) => ({
      to,
      name: endNames[to],
      text: `${legs} ${legs === 1 ? 'leg' : 'legs'}`,
      form: formOf<WallRoute>(
        wallRouteSchema.shape,
        computed(() => this.said().find((one) => one.to === to) ?? noRoute),
        (change, label) => this.change(to, label, (route) => ({ ...route, ...change })),
        { units: this.state.units },
      ),
      legs: Array.from({ length: legs }, (_, index) => this.leg(to, index)),
    })),
  );
  /** The routes there are, and how many legs each has: forms stay while figures change. */
  private readonly shape = computed(() => this.said().map(({ to, legs }) => ({ to, legs: legs.length })), {
    equal: (a, b) => JSON.stringify(a) === JSON.stringify(b),
  });
  protected readonly missing = computed(() =>
    routeEnds
      .filter((to) => !this.said().some((one) => one.to === to))
      .map((to) => ({ to, name: endNames[to] })),
  );

  private leg(to: RouteEnd, index: number) {
    const value = computed(() => this.said().find((one) => one.to === to)?.legs[index] ?? noLeg);
    return {
      form: formOf<RouteLeg>(
        legSchema.shape,
        value,
        (change, label) =>
          this.change(to, label, (route) => ({
            ...route,
            legs: route.legs.map((one, at) => (at === index ? { ...one, ...change } : one)),
          })),
        { units: this.state.units },
      ),
      get warning(): string {
        const kind: LegKind = value().kind;
        return legWarnings[kind] ?? '';
      },
    };
  }

  protected add(to: RouteEnd): void {
    this.edit('route', (wall) => [...wall.routes, { ...noRoute, to, legs: [{ ...noLeg }] }]);
  }

  protected remove(to: RouteEnd): void {
    this.edit('route removed', (wall) => wall.routes.filter((one) => one.to !== to));
  }

  protected addLeg(to: RouteEnd): void {
    this.change(to, 'leg', (route) => ({ ...route, legs: [...route.legs, { ...noLeg }] }));
  }

  protected removeLeg(to: RouteEnd, index: number): void {
    this.change(to, 'leg removed', (route) => ({
      ...route,
      legs: route.legs.filter((_, at) => at !== index),
    }));
  }

  private change(to: RouteEnd, label: string, change: (route: WallRoute) => WallRoute): void {
    this.edit(label, (wall) => wall.routes.map((one) => (one.to === to ? change(one) : one)));
  }

  private edit(label: string, change: (wall: Wall) => WallRoute[]): void {
    const wall = this.state.wall();
    if (wall) this.state.changeWall(wall.id, { routes: change(wall) }, label);
  }
}
