import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Plan } from '@levamen/core/design';
import { ownSolarSize } from '@levamen/core/study/details';
import { FigureButton } from '../../ui/figure-button';

/** What a typed surplus of sun alone asks for: what is stored, and the battery for it. */
@Component({
  selector: 'lv-own-solar-note',
  imports: [FigureButton],
  template: `
    @if (size(); as size) {
      <dl class="facts small" aria-label="Battery for own solar">
        @for (fact of facts(); track fact.label) {
          <div>
            <dt>{{ fact.label }}</dt>
            <dd><lv-figure-button [figure]="fact" /></dd>
          </div>
        }
      </dl>
    }
  `,
  styles: `
    .facts {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem 1.4rem;
      margin: 0;
    }
    dt {
      color: var(--ink-soft);
    }
    dd {
      margin: 0;
      font-size: 1.05rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OwnSolarNote {
  readonly plan = input.required<Plan>();
  protected readonly size = computed(() => ownSolarSize(this.plan()));
  protected readonly facts = computed(() => {
    const size = this.size();
    if (!size) return [];
    const { eveningAndNight, stored, nameplate } = size;
    return [...(eveningAndNight ? [eveningAndNight] : []), stored, nameplate.lithium, nameplate['lead-acid']];
  });
}
