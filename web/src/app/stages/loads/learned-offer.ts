import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { withCalibration } from '@levamen/core/logbook/details';
import { learnedDefault } from '@levamen/core/papers';
import { Button } from 'primeng/button';
import { Identity } from '../../data/identity';
import { JobSession } from '../../data/job-session';
import { learnedHouses } from '../../data/learned-houses';
import { SignedIn } from '../../people/session';
import { localDay } from '../../ui/local-day';

/** What outages of other houses of the company taught about loads, offered to a house that has not taken it. */
@Component({
  selector: 'lv-learned-offer',
  imports: [Button],
  template: `
    @if (offer(); as now) {
      <section class="sheet" aria-labelledby="learned-heading">
        <h2 id="learned-heading">What your houses showed</h2>
        <p class="small">{{ now.says }}</p>
        <p-button label="Bring these loads in line" size="small" [outlined]="true" (onClick)="take()" />
      </section>
    }
  `,
  styles: `
    .sheet {
      display: grid;
      gap: 0.4rem;
      padding: 0.8rem 0.95rem;
      justify-items: start;
    }
    p {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LearnedOffer {
  private readonly session = inject(JobSession);
  private readonly identity = inject(Identity);
  private readonly mayDesign = inject(SignedIn).mayDesign;
  private readonly houses = learnedHouses();
  private readonly learned = computed(() => learnedDefault(this.houses(), this.session.id()));
  protected readonly offer = computed(() => {
    const learned = this.learned();
    const taken = this.session.plan()?.logbook.calibrations.length ?? 0;
    if (!learned || taken > 0 || !this.mayDesign()) return null;
    const { houses, outages, ordinaryTimes, weatherTimes } = learned;
    return {
      says: `In ${houses === 1 ? 'one house' : `${houses} houses`} of the company, over ${outages === 1 ? 'one outage' : `${outages} outages`}, loads took ${ordinaryTimes.toFixed(2)} times what was entered, heating and cooling ${weatherTimes.toFixed(2)} times.`,
    };
  });

  /** One step of undo; it is written into the logbook. */
  protected take(): void {
    const learned = this.learned();
    if (!learned) return;
    const { ordinaryTimes, weatherTimes, houses, outages } = learned;
    this.session.edit('loads as houses of the company showed them', (plan) =>
      withCalibration(plan, {
        id: crypto.randomUUID(),
        on: localDay(new Date()),
        by: this.identity.who().actor,
        ordinaryTimes,
        weatherTimes,
        restsOn: `${outages === 1 ? 'one outage' : `${outages} outages`} of ${houses === 1 ? 'one house' : `${houses} houses`} of the company`,
      }),
    );
  }
}
