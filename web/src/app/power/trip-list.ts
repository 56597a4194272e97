import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import type { TripEvent } from '@levamen/core/electric';
import { shedTiming, unitOfPart } from '@levamen/core/study/details';
import type { PowerContext } from './power-context';

const words: Readonly<Record<TripEvent['kind'], string>> = {
  overload: 'overload',
  shed: 'a device opens',
  trip: 'the inverter disconnects the house',
  retry: 'it tries again',
  'lock-out': 'it locks out until somebody resets it',
  holds: 'it holds',
};

/** An overload of running loads played through: held, shed in time, tripped, retried, locked out. */
@Component({
  selector: 'lv-trip-list',
  template: `
    <p class="small">{{ says() }}</p>
    <ol class="small events">
      @for (line of events(); track $index) {
        <li>{{ line }}</li>
      }
    </ol>
    @if (byHand() !== '') {
      <p class="small">{{ byHand() }}</p>
    }
  `,
  styleUrl: './power.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TripList {
  readonly power = input.required<PowerContext>();

  private readonly timing = computed(() => shedTiming(this.power().context, this.power().stack));
  protected readonly says = computed(() => {
    const { part, demandVA, heldS } = this.timing();
    const asked = `With the running demand and all that is shed for want of room: ${quantityText(demandVA, unitOfPart(part))}`;
    return Number.isFinite(heldS)
      ? `${asked}; the ${part === 'battery' ? 'battery' : 'inverter'} holds that for ${quantityText(heldS, 's')}.`
      : `${asked}, within the continuous rating.`;
  });
  protected readonly events = computed(() =>
    this.timing()
      .run.events.filter(({ kind }) => kind !== 'holds' || this.timing().run.events.length > 1)
      .slice(0, 8)
      .map(
        ({ timeS, kind, what }) => `${timeS.toFixed(2)} s: ${words[kind]}${what === '' ? '' : `: ${what}`}`,
      ),
  );
  protected readonly byHand = computed(() => {
    const { part, byHandVA, heldS } = this.timing();
    return byHandVA > 0
      ? `By hand ${quantityText(byHandVA, unitOfPart(part))} would have to be off within ${quantityText(heldS, 's')}.`
      : '';
  });
}
