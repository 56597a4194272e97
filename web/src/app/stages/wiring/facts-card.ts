import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  type IslandWiring,
  islandsOf,
  islandWiring,
  islandWiringSchema,
  type Plan,
  sayOfIsland,
  sayOfString,
  stringSaid,
  type StringSaid,
  stringSaidSchema,
  type Wiring,
  wiringSchema,
} from '@levamen/core/design';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';

type Scalar = Exclude<keyof Wiring, 'parts' | 'interlocks' | 'islands' | 'strings' | 'nudges'>;

const stringNames = ['inSeries', 'openV', 'openPerC', 'inputMaxV'] as const;

/** What the wiring cannot know by itself. */
@Component({
  selector: 'lv-facts-card',
  imports: [FormField],
  template: `
    <section class="sheet" aria-labelledby="facts-heading">
      <h2 id="facts-heading">What it rests on</h2>
      @for (name of names(); track name) {
        <lv-form-field [of]="form" [name]="name" />
      }
      @for (island of islands(); track island.id) {
        <h3>{{ island.name }}</h3>
        @for (name of islandNames; track name) {
          <lv-form-field [of]="island.form" [name]="name" />
        }
      }
      @for (array of arrays(); track array.id) {
        <h3>Strings of {{ array.name }}</h3>
        @for (name of stringNames; track name) {
          <lv-form-field [of]="array.form" [name]="name" />
        }
      }
      @if (assumptions().length > 0) {
        <h3>Taken for granted</h3>
        <ul class="small">
          @for (one of assumptions(); track one) {
            <li>{{ one }}</li>
          }
        </ul>
      }
    </section>
  `,
  styles: `
    .sheet {
      display: grid;
      gap: 0.4rem;
      padding: 0.8rem 0.95rem;
    }
    ul {
      padding-inline-start: 1.1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FactsCard {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  readonly plan = input.required<Plan>();
  readonly assumptions = input.required<readonly string[]>();

  protected readonly islandNames = [
    'joins',
    'atFarEnd',
    'heldToA',
    'engineer',
    'bypass',
    'neutral',
    'faultTimes',
  ] as const;
  protected readonly names = computed((): Scalar[] => {
    const { sources, survey } = this.plan();
    const devices = survey.panels.flatMap(({ between }) => between.map(({ kind }) => kind));
    const hasGenerator =
      sources.generator !== null ||
      devices.some((kind) => kind === 'transfer-switch' || kind === 'generator-inlet');
    return [
      'earthing',
      ...(hasGenerator ? (['generatorNeutral', 'transferNeutral'] as const) : []),
      'surge',
      'transformerKVA',
      'transformerImpedance',
      'ambientC',
      ...(sources.arrays.length > 0 ? (['coldestC'] as const) : []),
    ];
  });
  protected readonly form = formOf<Wiring>(
    wiringSchema.shape,
    computed(() => this.plan().wiring),
    (change, label) =>
      this.session.edit(label, (plan) => ({ ...plan, wiring: { ...plan.wiring, ...change } })),
    { units: this.evaluations.units },
  );
  protected readonly stringNames = stringNames;
  protected readonly arrays = computed(() =>
    this.plan().sources.arrays.map(({ id, name }) => ({
      id,
      name,
      form: formOf<StringSaid>(
        stringSaidSchema.shape,
        computed(() => stringSaid(this.plan().wiring, id)),
        (change, label) =>
          this.session.edit(label, (plan) => ({ ...plan, wiring: sayOfString(plan.wiring, id, change) })),
        { units: this.evaluations.units },
      ),
    })),
  );
  protected readonly islands = computed(() =>
    islandsOf(this.plan()).map(({ id, name }) => ({
      id,
      name,
      form: formOf<IslandWiring>(
        islandWiringSchema.shape,
        computed(() => islandWiring(this.plan().wiring, id)),
        (change, label) =>
          this.session.edit(label, (plan) => ({ ...plan, wiring: sayOfIsland(plan.wiring, id, change) })),
        { units: this.evaluations.units },
      ),
    })),
  );
}
