import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Role } from '@levamen/core/api';
import { Button } from 'primeng/button';
import { SignedIn } from '../people/session';
import { WhoIsIn } from '../people/who-is-in';
import { Appearance } from '../data/appearance';

/** A place of the program that belongs to no job. */
interface Place {
  readonly path: string;
  readonly name: string;
  /** It is only shown from places below this one: the first field of a new job is few Tabs away. */
  readonly from?: string;
  /** There its way is further down, for the same reason. */
  readonly notFrom?: string;
  /** Who may see it; everybody where nothing is said. */
  readonly least?: Role;
}

const places: readonly Place[] = [
  { path: '/jobs', name: 'Jobs' },
  { path: '/houses', name: 'All houses', least: 'designer', notFrom: '/jobs' },
  { path: '/equipment', name: 'Equipment' },
  { path: '/people', name: 'People', notFrom: '/jobs' },
  { path: '/company', name: 'Company sheet', notFrom: '/jobs' },
  { path: '/equipment/prices', name: 'Prices', from: '/equipment' },
];

/** The head of a place that belongs to no job: where one is, and the way to the others. */
@Component({
  selector: 'lv-place-header',
  imports: [Button, RouterLink, WhoIsIn],
  template: `
    <header>
      <img src="mark.svg" alt="" width="30" height="30" />
      <h1>{{ heading() }}</h1>
      <p class="soft">{{ says() }}</p>
      <ng-content />
      <lv-who-is-in [hasWayOut]="here() !== '/jobs'" />
      <nav aria-label="Places">
        @for (place of others(); track place.path) {
          <a [routerLink]="place.path">{{ place.name }}</a>
        }
      </nav>
      <p-button
        [icon]="appearance.dark() ? 'pi pi-sun' : 'pi pi-moon'"
        [text]="true"
        [ariaLabel]="appearance.dark() ? 'Light scheme' : 'Dark scheme'"
        (onClick)="appearance.toggle()"
      />
    </header>
  `,
  styles: `
    header {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.4rem 0.8rem;
      padding: 0.7rem 1.4rem;
      border-bottom: 3px double var(--rule-strong);
    }
    p {
      flex: 1;
    }
    nav {
      display: flex;
      gap: 1.1rem;
    }
    a {
      padding: 0.2rem 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlaceHeader {
  readonly heading = input.required<string>();
  readonly says = input.required<string>();
  /** The path of the place itself. */
  readonly here = input.required<string>();
  protected readonly appearance = inject(Appearance);
  private readonly signed = inject(SignedIn);
  protected readonly others = computed(() =>
    places.filter(
      ({ path, from = '', notFrom, least = 'viewer' }) =>
        path !== this.here() &&
        this.here() !== notFrom &&
        this.here().startsWith(from) &&
        this.signed.may(least),
    ),
  );
}
