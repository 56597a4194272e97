import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router } from '@angular/router';
import { comparedTexts, type UnitSystem } from '@levamen/core/base';
import type { Margin, Verdict } from '@levamen/core/study';
import { inWordsOf } from '@levamen/core/present';
import { EvaluationService } from '../data/evaluation';
import { JobSession } from '../data/job-session';
import { WiringStudies } from '../data/wiring-studies';
import { PLACE_LOCALE } from '../ui/place-locale';
import { VerdictMark } from '../ui/verdict-mark';
import { Working } from './working';

/** A bar shows up to this many times the limit. */
const fullScale = 1.4;

interface Cell {
  readonly margin: Margin;
  readonly look: Verdict;
  readonly figures: string;
  readonly demandShare: number;
  readonly simulated: boolean;
}

/** Demand of limit; for the runtime, where the limit is what the stack gives, the other way round. */
const figuresText = (margin: Margin, units: UnitSystem): string => {
  if (margin.verdict === 'unknown') return '–';
  const { demand, limit, limitAtLeast } = margin;
  const texts = comparedTexts(demand.value, limit.value, demand.unit, units);
  const shown = [texts[0], `${limitAtLeast ? '≥ ' : ''}${texts[1]}`];
  return (margin.key === 'runtime' ? shown.toReversed() : shown).join(' of ');
};

/** Every margin of the design at once: a short bar of demand against limit, the figures, a word, and the culprit. */
@Component({
  selector: 'lv-margin-strip',
  imports: [VerdictMark],
  template: `
    @for (cell of cells(); track cell.margin.key) {
      <button
        type="button"
        [class]="cell.look"
        [attr.data-margin]="cell.margin.key"
        [attr.data-simulated]="cell.simulated || null"
        (click)="working.openMargin(cell.margin.key)"
      >
        <span class="head">
          <span class="name">{{ cell.margin.label }}</span>
          <lv-verdict-mark [verdict]="cell.margin.verdict" [rough]="cell.margin.rough" />
        </span>
        <span class="bar" aria-hidden="true">
          <span class="fill" [style.inline-size.%]="cell.demandShare"></span>
          <span class="limit"></span>
        </span>
        <span class="figures figure">{{ cell.figures }}</span>
        <span class="culprit">{{ cell.margin.culprit }}</span>
      </button>
    } @empty {
      <p class="soft">Working out the margins…</p>
    }
    @if (wiring(); as cell) {
      <button type="button" [class]="cell.verdict" data-margin="wiring" (click)="openWiring()">
        <span class="head">
          <span class="name">Wiring</span>
          <lv-verdict-mark [verdict]="cell.verdict" />
        </span>
        <span class="bar" aria-hidden="true">
          <span class="fill" [style.inline-size.%]="cell.share"></span>
        </span>
        <span class="figures figure">{{ cell.figures }}</span>
        <span class="culprit">{{ cell.culprit }}</span>
      </button>
    }
  `,
  styleUrl: './margin-strip.css',
  host: { role: 'region', 'aria-label': 'Margins' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MarginStrip {
  protected readonly working = inject(Working);
  private readonly evaluations = inject(EvaluationService);
  private readonly studies = inject(WiringStudies);
  private readonly router = inject(Router);
  private readonly session = inject(JobSession);
  private readonly locale = inject(PLACE_LOCALE);

  /** The worst of the wiring; there is one once there are panels. */
  protected readonly wiring = computed(() => {
    const answer = this.studies.answer();
    if (!answer || (this.session.plan()?.survey.panels.length ?? 0) === 0) return null;
    const { verdict, failing, checked, culprit } = answer.margin;
    return {
      verdict,
      share: failing > 0 ? 100 : 50,
      figures: failing > 0 ? `${failing} must be fixed` : `${checked} checks`,
      culprit: inWordsOf(this.locale(), culprit),
    };
  });

  protected readonly cells = computed((): Cell[] => {
    const units = this.evaluations.units();
    return (this.evaluations.evaluation()?.margins ?? []).map((margin) => ({
      margin,
      look: margin.rough ? 'unknown' : margin.verdict,
      figures: `${margin.rough ? '≈ ' : ''}${figuresText(margin, units)}`,
      simulated: margin.key === 'runtime' && margin.verdict !== 'unknown' && !margin.rough,
      demandShare: Number.isFinite(margin.ratio) ? Math.min(100, (margin.ratio / fullScale) * 100) : 0,
    }));
  });

  protected openWiring(): void {
    void this.router.navigate(['/jobs', this.session.id(), 'wiring']);
  }
}
