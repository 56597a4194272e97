import { ChangeDetectionStrategy, Component, computed, inject, type OnInit } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import type { Outcome } from '@levamen/core/study';
import type { SubstituteOutcome, WayToMend } from '@levamen/core/study/details';
import { Button } from 'primeng/button';
import { EvaluationService } from '../../data/evaluation';
import { BackupEdits } from './backup-edits';
import { BackupSearch } from './backup-search';

interface OutcomeView {
  readonly runtime: string;
  readonly running: string;
  readonly start: string;
  readonly verdict: string;
}

const outcomeView = ({ runtimeH, runtimeAtLeast, runningVA, startRatio, fails }: Outcome): OutcomeView => ({
  runtime: `${runtimeAtLeast ? '≥ ' : ''}${quantityText(runtimeH, 'h')}`,
  running: quantityText(runningVA, 'VA'),
  start: quantityText(startRatio, 'share'),
  verdict:
    fails.length === 0 ? 'all holds' : `fails: ${fails.map(({ label }) => label.toLowerCase()).join(', ')}`,
});

const signed = (value: number, unit: 'h' | 'VA'): string =>
  `${value >= 0 ? '+' : '−'}${quantityText(Math.abs(value), unit)}`;

/** What breaks first and the ways out, compared; and what substitutes gain. */
@Component({
  selector: 'lv-mending-view',
  imports: [Button],
  template: `
    <h3>What breaks first, and the ways out</h3>
    @if (holds()) {
      <p>Every limit that binds holds.</p>
    } @else {
      <p class="small">
        <b>{{ worst() }}</b>
      </p>
    }
    <p class="row">
      <p-button
        [label]="holds() ? 'Work out the substitutes' : 'Work out the ways'"
        size="small"
        [disabled]="search.busy()"
        (onClick)="ask()"
      />
      @if (search.busy()) {
        <span role="status" class="small">Working it out…</span>
        <p-button label="Stop" size="small" [text]="true" (onClick)="search.cancel()" />
      }
    </p>
    @if (search.problem() !== '') {
      <p class="problem small" role="alert">{{ search.problem() }}</p>
    }
    @if (isOutdated()) {
      <p class="small outdated" role="status">Outdated: the job has changed since these were worked out.</p>
    }
    @if (ways().length > 0) {
      <table class="ruled small">
        <thead>
          <tr>
            <th scope="col">Way</th>
            <th scope="col" class="number">Runtime</th>
            <th scope="col" class="number">Running</th>
            <th scope="col" class="number">Start</th>
          </tr>
        </thead>
        <tbody>
          @if (present(); as now) {
            <tr>
              <th scope="row">As it is: {{ now.verdict }}</th>
              <td class="number figure">{{ now.runtime }}</td>
              <td class="number figure">{{ now.running }}</td>
              <td class="number figure">{{ now.start }}</td>
            </tr>
          }
          @for (row of ways(); track row.way.title) {
            <tr>
              <th scope="row">{{ row.way.title }}: {{ row.after.verdict }}</th>
              <td class="number figure">{{ row.after.runtime }}</td>
              <td class="number figure">{{ row.after.running }}</td>
              <td class="number figure">{{ row.after.start }}</td>
            </tr>
            <tr>
              <td colspan="4">
                <span class="row"
                  ><span class="soft">{{ row.way.how }}</span>
                  <p-button
                    label="Take it"
                    size="small"
                    [text]="true"
                    [disabled]="isOutdated()"
                    [ariaLabel]="'Take: ' + row.way.title"
                    (onClick)="take(row.way)"
                /></span>
              </td>
            </tr>
          }
        </tbody>
      </table>
      <p class="small soft">Start: the hardest start, of what the stack carries.</p>
    }
    @if (substitutes(); as list) {
      <h4>Substitutes</h4>
      @for (row of list; track row.one.substitute.key) {
        <div class="way">
          <p>
            {{ row.one.substitute.title }}
            <span class="small soft">{{ row.one.substitute.how }}</span>
          </p>
          <p class="row small">
            <span class="figure">{{ row.gain }}</span>
            <span>{{ row.after.verdict }}</span>
            <p-button
              label="Take it"
              size="small"
              [text]="true"
              [ariaLabel]="'Take: ' + row.one.substitute.title"
              (onClick)="edits.takeSubstitute(row.one.substitute)"
            />
          </p>
        </div>
      } @empty {
        <p class="small soft">Common practice knows no substitute for what is here.</p>
      }
      <p class="small soft">
        Common practice, no source. A substitute stands beside the load until it is placed.
      </p>
    }
  `,
  styleUrl: './side.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MendingView implements OnInit {
  protected readonly search = inject(BackupSearch);
  protected readonly edits = inject(BackupEdits);
  private readonly evaluations = inject(EvaluationService);

  private readonly lacks = computed(() => this.evaluations.evaluation()?.selected?.lacks ?? []);
  protected readonly holds = computed(() => this.lacks().length === 0);
  protected readonly worst = computed(() => {
    const worst = this.lacks()[0];
    return worst ? `${worst.label}: ${worst.culprit}.` : '';
  });
  private readonly now = computed(() => {
    const evaluation = this.evaluations.evaluation();
    return evaluation?.margins;
  });
  protected readonly present = computed(() => {
    const mending = this.search.mending()?.value;
    return mending ? outcomeView(mending.present) : null;
  });
  /** The job has changed since: the ways show what was, and cannot be taken. */
  protected readonly isOutdated = computed(() => this.search.mending()?.isOutdated ?? false);
  protected readonly ways = computed(() =>
    (this.search.mending()?.value?.ways ?? []).map((way) => ({ way, after: outcomeView(way.outcome) })),
  );
  protected readonly substitutes = computed(() => {
    const found = this.search.substitutes()?.value;
    const runtime = this.now()?.find(({ key }) => key === 'runtime')?.limit.value ?? 0;
    const running = this.now()?.find(({ key }) => key === 'continuous')?.demand.value ?? 0;
    return found?.map((one: SubstituteOutcome) => ({
      one,
      after: outcomeView(one.outcome),
      gain: `${signed(one.outcome.runtimeH - runtime, 'h')}, ${signed(one.outcome.runningVA - running, 'VA')}`,
    }));
  });

  ngOnInit(): void {
    this.ask();
  }

  protected ask(): void {
    void this.search.mend().then(() => this.search.lookForSubstitutes());
  }

  protected take(way: WayToMend): void {
    this.edits.takePlan(way.title, way.plan);
  }
}
