import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { quantityText } from '@levamen/core/base';
import { lengthText, type WallOffer } from '@levamen/core/placement/details';
import { Button } from 'primeng/button';
import { ProgressBar } from 'primeng/progressbar';
import { type Subscription } from 'rxjs';
import type { Searching } from '../../data/placement-studies';
import { PlacementState } from './placement-state';

/** Looks for the best place of all units on every wall, and says why a wall holds none. */
@Component({
  selector: 'lv-search-card',
  imports: [Button, ProgressBar],
  template: `
    <section class="sheet" aria-labelledby="search-heading">
      <h2 id="search-heading">Look for a place</h2>
      <p class="small soft">
        Every wall and every position on a grid of {{ stepText() }}, all units together on one wall: those
        that break no rule, the cheapest way to the panel first, weighed with heat, cold and room for one
        more.
      </p>
      <p class="bar">
        @if (running()) {
          <p-button label="Stop" icon="pi pi-stop" size="small" (onClick)="stop()" />
        } @else {
          <p-button
            [label]="'Look for ' + units().length + ' units'"
            icon="pi pi-search"
            size="small"
            [disabled]="units().length === 0"
            (onClick)="run()"
          />
        }
      </p>
      @if (searching(); as now) {
        @if (now.found === null) {
          <p-progressbar
            [value]="(100 * now.done) / now.of"
            [showValue]="false"
            [style]="{ height: '0.5rem' }"
            ariaLabel="Walls looked at"
          />
        }
        <p role="status" class="small">{{ status() }}</p>
      }
      @if (problem() !== '') {
        <p class="problem" role="alert">{{ problem() }}</p>
      }
      <ol>
        @for (offer of offers(); track offer.wallId) {
          <li>
            <b>Wall {{ offer.name }}</b>
            <span class="small">{{ offer.text }}</span>
            <p-button
              label="Put up"
              size="small"
              [outlined]="true"
              [ariaLabel]="'Put the units on wall ' + offer.name"
              (onClick)="take(offer.offer)"
            />
          </li>
        }
      </ol>
      @if (refusals().length > 0) {
        <h3>Walls that hold none</h3>
        <ul>
          @for (refusal of refusals(); track refusal.wallId) {
            <li class="refused">
              <b>Wall {{ refusal.name }}</b>
              <span class="small">{{ refusal.reasons }}</span>
            </li>
          }
        </ul>
      }
    </section>
  `,
  styles: `
    .sheet {
      padding: 0.8rem 0.95rem;
    }
    ol,
    ul {
      list-style: none;
    }
    .bar {
      margin-block: 0.5rem;
    }
    li {
      display: grid;
      grid-template-columns: auto 1fr auto;
      align-items: center;
      gap: 0.3rem 0.7rem;
      border-bottom: 1px solid var(--rule);
      padding: 0.35rem 0;
    }
    li.refused {
      grid-template-columns: auto 1fr;
      align-items: start;
    }
    .problem {
      color: var(--fails);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SearchCard {
  protected readonly state = inject(PlacementState);
  private readonly destroyed = inject(DestroyRef);
  private running$: Subscription | null = null;

  protected readonly running = signal(false);
  protected readonly problem = signal('');
  protected readonly searching = signal<Searching | null>(null);
  protected readonly units = computed(() => this.state.things().filter(({ kind }) => kind === 'unit'));
  private readonly stepM = computed(() => (this.state.units() === 'imperial' ? 0.0508 : 0.05));
  protected readonly stepText = computed(() => (this.state.units() === 'imperial' ? '2 in' : '50 mm'));
  private readonly names = computed(
    () => new Map((this.state.lot()?.walls ?? []).map(({ id, name }) => [id, name])),
  );
  protected readonly status = computed(() => {
    const now = this.searching();
    if (!now) return '';
    if (!now.found) return `${now.done} of ${now.of} walls looked at`;
    const { offers } = now.found;
    return offers.length === 0
      ? 'No wall holds all of them.'
      : `${offers.length} of ${now.of} walls hold all of them.`;
  });
  protected readonly offers = computed(() => {
    const units = this.state.units();
    return (this.searching()?.found?.offers ?? []).map((offer) => ({
      offer,
      wallId: offer.wallId,
      name: this.names().get(offer.wallId) ?? '',
      text: [
        offer.effortM === null
          ? 'no route to the panel is entered'
          : `conduits worth ${lengthText(offer.effortM, units)} on the surface`,
        offer.comfort ? `hottest hour ${quantityText(offer.comfort.hottestC, '°C', units)}` : '',
        offer.comfort && offer.comfort.coldH > 0 ? `${Math.round(offer.comfort.coldH)} h below freezing` : '',
        offer.grows ? 'room for one more' : 'no room for more',
        offer.proved ? '' : 'perhaps not the cheapest: the search was ended',
      ]
        .filter((part) => part !== '')
        .join(', '),
    }));
  });
  protected readonly refusals = computed(() =>
    (this.searching()?.found?.refusals ?? []).map(({ wallId, reasons }) => ({
      wallId,
      name: this.names().get(wallId) ?? '',
      reasons: reasons.join('; '),
    })),
  );

  protected run(): void {
    this.problem.set('');
    this.running.set(true);
    this.running$ = this.state.studies
      .search(
        this.units().map(({ id }) => id),
        this.stepM(),
      )
      .pipe(takeUntilDestroyed(this.destroyed))
      .subscribe({
        next: (now) => this.searching.set(now),
        error: (error: unknown) => {
          this.running.set(false);
          this.problem.set(error instanceof Error ? error.message : 'The search failed.');
        },
        complete: () => this.running.set(false),
      });
  }

  protected stop(): void {
    this.running$?.unsubscribe();
    this.running.set(false);
    this.searching.set(null);
  }

  protected take(offer: WallOffer): void {
    this.state.put(offer.places, 'units put up');
    this.state.wallId.set(offer.wallId);
  }
}
