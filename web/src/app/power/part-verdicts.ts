import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import { dayPartFacts, dayParts } from '@levamen/core/house';
import type { Margin } from '@levamen/core/study';
import { partMargins } from '@levamen/core/study/details';
import { VerdictMark } from '../ui/verdict-mark';
import type { PowerContext } from './power-context';

/** Whether power, starting and legs hold, for each part of the day of the design season. */
@Component({
  selector: 'lv-part-verdicts',
  imports: [VerdictMark],
  template: `
    <table class="ruled small">
      <thead>
        <tr>
          <th scope="col">{{ power().season }}</th>
          <th scope="col">Power</th>
          <th scope="col">Starting</th>
          @if (hasLegs()) {
            <th scope="col">Legs</th>
          }
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.part) {
          <tr>
            <th scope="row">{{ row.part }}</th>
            @for (margin of row.margins; track margin.key) {
              <td>
                <lv-verdict-mark [verdict]="margin.verdict" [class]="margin.verdict" />
                <div class="figure">{{ share(margin) }}</div>
              </td>
            }
          </tr>
        }
      </tbody>
    </table>
  `,
  styleUrl: './power.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartVerdicts {
  readonly power = input.required<PowerContext>();

  protected readonly rows = computed(() => {
    const { context, stack, season } = this.power();
    const parts = partMargins(context, stack, season);
    return dayParts.map((part) => ({
      part: dayPartFacts[part].label.replace(' ', '\u00a0'),
      margins: parts[part],
    }));
  });
  protected readonly hasLegs = computed(() => this.power().context.power.byLeg.length > 1);

  protected share({ ratio }: Margin): string {
    return quantityText(ratio, 'share');
  }
}
