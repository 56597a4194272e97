import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import { gapEffects } from '@levamen/core/study/details';
import type { PowerContext } from './power-context';

/** Which loads notice the transfer gap, and what they do. */
@Component({
  selector: 'lv-gap-list',
  template: `
    <p class="small">
      {{ gap() }} of full dropout.
      @if (rows().length === 0) {
        Nothing in the backup set is known to notice it.
      }
    </p>
    @if (rows().length > 0) {
      <table class="ruled small">
        <thead>
          <tr>
            <th scope="col">Load</th>
            <th scope="col" class="number">Rides through</th>
            <th scope="col">What it does</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.loadId) {
            <tr>
              <th scope="row">{{ row.name }}</th>
              <td class="number figure">{{ row.rides }}</td>
              <td>{{ row.what }}</td>
            </tr>
          }
        </tbody>
      </table>
    }
    <p class="small soft">
      IT equipment by the ITIC curve (recalled); all else is common practice, no source.
    </p>
  `,
  styleUrl: './power.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GapList {
  readonly power = input.required<PowerContext>();

  protected readonly gap = computed(() => {
    const { transferGapMs } = this.power().stack;
    return transferGapMs === null ? 'not stated' : quantityText(transferGapMs, 'ms');
  });
  protected readonly rows = computed(() => {
    const { context, stack } = this.power();
    if (stack.transferGapMs === null) return [];
    return gapEffects(context.powerSet, stack.transferGapMs).map((effect) => ({
      ...effect,
      rides: quantityText(effect.rideThroughMs, 'ms'),
    }));
  });
}
