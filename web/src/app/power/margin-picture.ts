import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { MarginKey } from '@levamen/core/study';
import { EvaluationService } from '../data/evaluation';
import { DemandBandChart } from './demand-band-chart';
import { GapList } from './gap-list';
import { LegBars } from './leg-bars';
import { PickupChart } from './pickup-chart';
import { powerContextOf } from './power-context';
import { StartChart } from './start-chart';
import { TripList } from './trip-list';

/** The picture that belongs to a margin, for the working drawer. */
@Component({
  selector: 'lv-margin-picture',
  imports: [DemandBandChart, GapList, LegBars, PickupChart, StartChart, TripList],
  template: `
    @if (power(); as power) {
      @switch (margin()) {
        @case ('continuous') {
          <h3>Through the day</h3>
          <lv-demand-band-chart [power]="power" />
          <h3>When it is too much</h3>
          <lv-trip-list [power]="power" />
        }
        @case ('starting') {
          <h3>The start</h3>
          <lv-start-chart [power]="power" />
          <h3>After the transfer gap</h3>
          <lv-pickup-chart [power]="power" />
        }
        @case ('legs') {
          <h3>The legs as a balance</h3>
          <lv-leg-bars [power]="power" />
          <h3>Through the day</h3>
          <lv-demand-band-chart [power]="power" [first]="worstLeg()" />
        }
        @case ('gap') {
          <h3>Who notices it</h3>
          <lv-gap-list [power]="power" />
        }
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.4rem;
      grid-template-columns: minmax(0, 1fr);
    }
    h3 {
      margin-block-start: 0.8rem;
      color: var(--ink-soft);
      font-size: 0.85rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MarginPicture {
  private readonly evaluations = inject(EvaluationService);
  readonly margin = input.required<MarginKey>();

  protected readonly power = computed(() => powerContextOf(this.evaluations.evaluation()));
  protected readonly worstLeg = computed(() => {
    const legs = this.power()?.context.power.byLeg ?? [];
    return legs.reduce((a, b) => (b.powerVA > a.powerVA ? b : a), legs[0]!).leg;
  });
}
