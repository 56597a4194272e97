import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input } from '@angular/core';
import { amountSchema, decimalText } from '@levamen/core/base';
import { chooseFor, islandsOf, type Plan } from '@levamen/core/design';
import type { SeasonOutlook } from '@levamen/core/study';
import { type HelpfulChange, helpfulChanges } from '@levamen/core/study/details';
import { Button } from 'primeng/button';
import { map } from 'rxjs';
import { AnswerStore } from '../../data/answer-store';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { LastAnswers } from '../../data/last-answers';
import { OutageStudies } from '../../data/outage-studies';
import { AmountField } from '../../ui/amount-field';
import { reachedText, shareText } from '../../ui/outlook-texts';
import { answered, keptAnswers } from './answered';
import { AskBar } from './ask-bar';
import { OutageState } from './outage-state';

interface Helped {
  readonly now: SeasonOutlook;
  readonly changes: readonly { readonly change: HelpfulChange; readonly outlook: SeasonOutlook }[];
}

const costSchema = amountSchema(0, 1_000_000);

/** What would help: each change played through the season, ranked by the hours it gains, and by hours for its cost. */
@Component({
  selector: 'lv-help-view',
  imports: [AmountField, AskBar, Button],
  template: `
    <section class="sheet" aria-labelledby="help-heading">
      <div class="row">
        <h2 id="help-heading">What would help in {{ season() }}</h2>
        <lv-ask-bar label="Try every change" [answer]="answer" />
      </div>
      @if (answer.value(); as found) {
        <p role="status">
          Now 19 of 20 outages reach <b class="figure">{{ hours(found.now.nineteenOfTwentyH) }}</b>, half of
          them {{ hours(found.now.medianH) }}; {{ percent(found.now.requiredShare) }} reach the required
          {{ hours(state.requiredH()) }}.
        </p>
        <table class="ruled small">
          <thead>
            <tr>
              <th scope="col">Change</th>
              <th scope="col" class="number">19 of 20 reach</th>
              <th scope="col" class="number">Gained</th>
              <th scope="col" class="number">Mean gain</th>
              <th scope="col" class="number">Reach required</th>
              <th scope="col">Cost</th>
              <th scope="col" class="number">Hours for 1,000</th>
              <th scope="col"><span class="visually-hidden">Take it</span></th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.id) {
              <tr>
                <th scope="row">{{ row.title }}</th>
                <td class="number figure">{{ row.reach }}</td>
                <td class="number figure">{{ row.gained }}</td>
                <td class="number figure">{{ row.mean }}</td>
                <td class="number figure">{{ row.required }}</td>
                <td class="cost">
                  <lv-amount-field
                    unit="count"
                    [label]="'Cost of: ' + row.title"
                    [hideLabel]="true"
                    [optional]="true"
                    [schema]="costSchema"
                    [value]="row.cost"
                    (valueChange)="setCost(row.id, $event)"
                  />
                </td>
                <td class="number figure">{{ row.perCost }}</td>
                <td>
                  <p-button
                    label="Take it"
                    size="small"
                    [outlined]="true"
                    [disabled]="answer.isOutdated()"
                    [ariaLabel]="'Take it: ' + row.title"
                    (onClick)="take(row.change)"
                  />
                </td>
              </tr>
            }
          </tbody>
        </table>
        <p class="small soft">
          Outages from every third hour of the season, each followed for a week. Gained: hours more that 19 of
          20 outages reach. Mean gain: over all of them, for whoever cares less about the worst. Costs are
          yours; they are kept with the job.
        </p>
      } @else if (answer.share() === null) {
        <p class="small soft">
          Each change that is possible here is played through {{ season() }} and ranked: circuits left off or
          shed, gentler starts, another pack or inverter, a generator, more or turned sun, a household that
          saves.
        </p>
      }
    </section>
  `,
  styles: `
    .cost {
      width: 6.5rem;
    }
    td {
      vertical-align: middle;
    }
  `,
  styleUrl: './views.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HelpView {
  readonly plan = input.required<Plan>();
  protected readonly state = inject(OutageState);
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly studies = inject(OutageStudies);
  protected readonly costSchema = costSchema;
  protected readonly season = this.state.season;

  /** Costs are kept in the job, and change nothing that is played. */
  private readonly played = computed(() => this.state.study(), {
    equal: (a, b) =>
      a === b ||
      (a !== null &&
        b !== null &&
        a.islandId === b.islandId &&
        JSON.stringify({ ...a.plan, sources: { ...a.plan.sources, costs: [] } }) ===
          JSON.stringify({ ...b.plan, sources: { ...b.plan.sources, costs: [] } })),
  });
  protected readonly answer = answered(
    this.played,
    (study) => {
      const changes = helpfulChanges(study.plan, study.parts, this.evaluations.catalogue());
      return this.studies.changes(study, changes).pipe(
        map(({ done, of, results }) => {
          const [now, ...others] = results;
          if (done < of || !now) return { share: done / of, value: null };
          const played = changes.flatMap((change, index) => {
            const outlook = others[index];
            return outlook ? [{ change, outlook }] : [];
          });
          return { share: 1, value: { now, changes: played } satisfies Helped };
        }),
      );
    },
    keptAnswers(inject(AnswerStore), inject(LastAnswers), 'helps'),
  );
  protected readonly rows = computed(() => {
    const found = this.answer.value();
    if (!found) return [];
    const costs = new Map(this.plan().sources.costs.map(({ change, cost }) => [change, Number(cost.amount)]));
    return found.changes
      .map(({ change, outlook }) => {
        const gainedH = outlook.nineteenOfTwentyH - found.now.nineteenOfTwentyH;
        const meanH = outlook.meanH - found.now.meanH;
        const cost = costs.get(change.id) ?? null;
        return { change, outlook, gainedH, meanH, cost, perThousand: cost ? (gainedH / cost) * 1000 : null };
      })
      .filter(({ gainedH, meanH, cost }) => gainedH > 0.05 || meanH > 0.05 || cost !== null)
      .toSorted(
        (a, b) =>
          (b.perThousand ?? -Infinity) - (a.perThousand ?? -Infinity) ||
          b.gainedH - a.gainedH ||
          b.meanH - a.meanH,
      )
      .map(({ change, outlook, gainedH, meanH, cost, perThousand }) => ({
        id: change.id,
        title: change.title,
        reach: this.hours(outlook.nineteenOfTwentyH),
        gained: signed(gainedH),
        mean: signed(meanH),
        required: this.percent(outlook.requiredShare),
        cost,
        perCost: perThousand === null ? '' : perThousand.toFixed(2),
        change,
      }));
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.answer.stop());
  }

  protected hours(value: number): string {
    const followedH = this.answer.value()?.now.followedH ?? Infinity;
    return reachedText(value, followedH);
  }

  protected percent(share: number): string {
    return shareText(share);
  }

  protected setCost(change: string, cost: number | null): void {
    this.session.edit(`cost of ${change}`, (plan) => {
      const known = plan.sources.costs.find((one) => one.change === change);
      const others = plan.sources.costs.filter((one) => one !== known);
      const now = {
        id: known?.id ?? crypto.randomUUID(),
        change,
        cost: { amount: decimalText(cost ?? 0), currency: known?.cost.currency ?? null },
      };
      const costs = cost === null ? others : [...others, now];
      return { ...plan, sources: { ...plan.sources, costs } };
    });
  }

  /** The change as it was played; what was edited since stays where the change does not touch it. */
  protected take(change: HelpfulChange): void {
    const island = this.evaluations.island();
    this.session.edit(change.title, (now) => {
      const there = islandsOf(change.plan).find(({ id }) => id === island?.id);
      const { costs } = now.sources;
      const plan = { ...change.plan, sources: { ...change.plan.sources, costs } };
      return there && (change.kind === 'battery' || change.kind === 'inverter')
        ? chooseFor(plan, there, change.parts)
        : plan;
    });
  }
}

const signed = (hours: number): string =>
  Math.abs(hours) < 0.05 ? '0 h' : `${hours > 0 ? '+' : '−'}${Math.abs(hours).toFixed(1)} h`;
