import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { partSaid, type PartSaid, partSaidSchema, sayOfPart } from '@levamen/core/design';
import { wiringNames } from '@levamen/core/wiring';
import { Button } from 'primeng/button';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { FigureButton } from '../../ui/figure-button';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { VerdictMark } from '../../ui/verdict-mark';
import { WiringState } from './wiring-state';

/** What is known of one part or place: what the code asks of it, and what the designer says. */
@Component({
  selector: 'lv-part-card',
  imports: [Button, FigureButton, FormField, VerdictMark],
  template: `
    <section class="sheet" aria-labelledby="part-heading">
      <div class="head">
        <h2 id="part-heading">{{ title() }}</h2>
        <p-button
          icon="pi pi-times"
          size="small"
          severity="secondary"
          [text]="true"
          ariaLabel="Close"
          (onClick)="state.chosen.set('')"
        />
      </div>
      <ul>
        @for (check of checks(); track check.key) {
          <li>
            <lv-verdict-mark [verdict]="check.verdict" />
            {{ check.asks }}{{ check.advice ? ' (advised)' : '' }}
            <span class="figures">
              @for (figure of check.figures; track figure.key; let isFirst = $first) {
                {{ isFirst ? '' : 'against' }}
                <lv-figure-button [figure]="figure" [system]="units()" />
              }
            </span>
            <span class="small soft">{{ check.rule }}</span>
            @if (check.verdict !== 'holds') {
              <span class="small">{{ check.cure }}</span>
            }
          </li>
        } @empty {
          <li class="soft">Nothing of it is checked.</li>
        }
      </ul>
      @if (ways().length > 0) {
        <h3>Ways to connect sources to this busbar</h3>
        <ul class="small">
          @for (way of ways(); track way.clause) {
            <li>
              <lv-verdict-mark [verdict]="way.holds ? 'holds' : 'fails'" />
              {{ way.clause }}: {{ way.what }}. {{ way.working }}. {{ way.holds ? way.asks : '' }}
            </li>
          }
        </ul>
      }
      @if (tried().length > 0) {
        <h3>Why not smaller</h3>
        <ul class="small">
          @for (one of tried(); track one.size) {
            <li>{{ one.size }}: {{ one.why === '' ? 'the smallest that holds' : one.why }}</li>
          }
        </ul>
      }
      @if (names().length > 0) {
        <h3>Said of it</h3>
        @for (name of names(); track name) {
          <lv-form-field [of]="form" [name]="name" />
        }
      }
    </section>
  `,
  styles: `
    .sheet {
      display: grid;
      gap: 0.45rem;
      padding: 0.8rem 0.95rem;
    }
    .head {
      display: flex;
      justify-content: space-between;
      align-items: start;
    }
    ul {
      list-style: none;
      display: grid;
      gap: 0.4rem;
    }
    li {
      border-bottom: 1px solid var(--rule);
      padding-block-end: 0.35rem;
    }
    .figures,
    li > .small {
      display: block;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartCard {
  protected readonly state = inject(WiringState);
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  protected readonly units = this.evaluations.units;

  private readonly wired = computed(() => this.state.answer()?.wired ?? null);
  private readonly part = computed(() =>
    this.wired()?.graph.parts.find(({ id }) => id === this.state.chosen()),
  );
  private readonly nameOf = computed(() => {
    const wired = this.wired();
    return wired && wiringNames(wired.graph);
  });
  protected readonly title = computed(() =>
    `${this.state.tagOf(this.state.chosen())} ${this.nameOf()?.get(this.state.chosen()) ?? 'Gone'}`.trim(),
  );
  protected readonly checks = computed(() =>
    (this.wired()?.checks ?? []).filter(({ about }) => about === this.state.chosen()),
  );
  protected readonly ways = computed(
    () => this.wired()?.busbars.find(({ place }) => place.id === this.state.chosen())?.ways ?? [],
  );
  protected readonly tried = computed(() => this.wired()?.cables.get(this.state.chosen())?.tried ?? []);
  protected readonly names = computed((): (keyof PartSaid)[] => {
    const part = this.part();
    if (!part || part.cable?.isUtility) return [];
    return [
      ...(part.device ? (['ratingA', 'switchesNeutral'] as const) : []),
      ...(part.cable ? (['size', 'material', 'lengthM', 'cable', 'together'] as const) : []),
      ...(part.isTap || (part.device?.kind === 'breaker' && part.cable) ? (['tap'] as const) : []),
    ];
  });
  protected readonly form = formOf<PartSaid>(
    partSaidSchema.shape,
    computed(() => partSaid(this.session.plan()!.wiring, this.state.chosen())),
    (change, label) => {
      const id = this.state.chosen();
      this.session.edit(label, (plan) => ({ ...plan, wiring: sayOfPart(plan.wiring, id, change) }));
    },
    {
      units: this.evaluations.units,
      defaults: computed(() => {
        const { device, cable } = this.part() ?? {};
        return {
          ...(device?.ratingA
            ? { ratingA: { value: device.ratingA.value, why: device.ratingA.why || 'as it follows' } }
            : {}),
          ...(device ? { switchesNeutral: { value: device.switchesNeutral, why: 'as is usual there' } } : {}),
          ...(cable
            ? {
                lengthM: { value: cable.lengthM.value, why: cable.lengthM.why || 'as surveyed' },
                together: { value: cable.together, why: 'alone in its raceway' },
              }
            : {}),
        };
      }),
    },
  );
}
