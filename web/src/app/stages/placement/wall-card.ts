import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { sayOfWall, wallWork, type WallWork, wallWorkSchema } from '@levamen/core/design';
import { newWall, placeKinds, type Wall, wallSchema } from '@levamen/core/house';
import { Button } from 'primeng/button';
import { JobSession } from '../../data/job-session';
import { PhotoStrip } from '../../photos/photo-strip';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { OpeningsCard } from './openings-card';
import { PlacementState } from './placement-state';
import { RoutesCard } from './routes-card';
import { TraceDialog } from './trace-dialog';

const noWall = newWall('none', 'None', 1, 1);

/** A wall as it was surveyed, and what is done at it for the equipment. */
@Component({
  selector: 'lv-wall-card',
  imports: [Button, FormField, OpeningsCard, PhotoStrip, RoutesCard, TraceDialog],
  template: `
    <section class="sheet" aria-labelledby="wall-heading">
      <h2 id="wall-heading">Wall {{ wall().name }}</h2>
      <div class="pair">
        @for (name of sizeNames; track name) {
          <lv-form-field [of]="form" [name]="name" />
        }
      </div>
      <h3>What it is made of</h3>
      <div class="pair">
        @for (name of makeNames(); track name) {
          <lv-form-field [of]="form" [name]="name" />
        }
      </div>
      <h3>Around it</h3>
      <div class="pair">
        @for (name of aroundNames; track name) {
          <lv-form-field [of]="form" [name]="name" />
        }
      </div>
      <h3>Sun and temperature</h3>
      <div class="pair">
        @for (name of climateNames(); track name) {
          <lv-form-field [of]="form" [name]="name" />
        }
      </div>
      <h3>What is done there</h3>
      <div class="pair">
        @for (name of workNames; track name) {
          <lv-form-field [of]="work" [name]="name" />
        }
      </div>
      <lv-openings-card />
      <p-button
        label="Trace over a photo"
        icon="pi pi-image"
        size="small"
        [outlined]="true"
        (onClick)="isTracing.set(true)"
      />
      @defer (when isTracing()) {
        <lv-trace-dialog [(isOpen)]="isTracing" />
      }
      <lv-routes-card />
      <lv-photo-strip [aboutId]="wall().id" subject="wall" [of]="'wall ' + wall().name" />
      <p class="small soft">Photos are scaled down and drawn anew here: where they were taken is not kept.</p>
    </section>
  `,
  styles: `
    .sheet {
      padding: 0.8rem 0.95rem;
    }
    h3 {
      margin-block-start: 0.7rem;
    }
    .pair {
      display: grid;
      grid-template-columns: repeat(2, minmax(0, 1fr));
      gap: 0.3rem 0.7rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WallCard {
  private readonly session = inject(JobSession);
  protected readonly state = inject(PlacementState);
  protected readonly wall = computed(() => this.state.wall() ?? noWall);
  protected readonly isTracing = signal(false);

  protected readonly sizeNames = ['name', 'place', 'lengthM', 'heightM'] as const;
  protected readonly makeNames = computed((): (keyof Wall)[] => {
    const { construction } = this.wall();
    return [
      'construction',
      ...(construction === 'wood' || construction === 'steel'
        ? (['studSpacingM', 'firstStudM', 'coverMm'] as const)
        : []),
      ...(construction === 'wood' ? (['wood'] as const) : []),
      'combustible',
    ];
  });
  protected readonly aroundNames = ['behind', 'front', 'freeBeforeM', 'bedroomM', 'neighbourM'] as const;
  protected readonly climateNames = computed((): (keyof Wall)[] =>
    placeKinds[this.wall().place].isOutdoors
      ? ['facingDeg', 'eavesDepthM', 'eavesHeightM', 'horizon']
      : ['lowestC', 'highestC'],
  );
  protected readonly workNames = [
    'detection',
    'board',
    'impact',
    'plywood',
    'plinth',
    'shade',
    'ventilated',
  ] as const;

  protected readonly form = formOf<Wall>(
    wallSchema.shape,
    this.wall,
    (change, label) => this.state.changeWall(this.wall().id, change, label),
    { units: this.state.units },
  );
  protected readonly work = formOf<WallWork>(
    wallWorkSchema.shape,
    computed(() => wallWork(this.session.plan()?.placement ?? { works: [] }, this.wall().id)),
    (change, label) =>
      this.session.edit(label, (plan) => ({
        ...plan,
        placement: sayOfWall(plan.placement, this.wall().id, change),
      })),
    { units: this.state.units },
  );
}
