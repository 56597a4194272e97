import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router } from '@angular/router';
import { comparedTexts, type UnitSystem } from '@levamen/core/base';
import type { Margin, Verdict } from '@levamen/core/study';
import { inWordsOf } from '@levamen/core/present';
import { EvaluationService } from '../data/evaluation';
import { JobSession } from '../data/job-session';
import { PlacementStudies } from '../data/placement-studies';
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

/** What of the building is judged by rules, not by one figure. */
interface BuildCell {
  readonly path: string;
  readonly name: string;
  readonly verdict: Verdict;
  readonly share: number;
  readonly figures: string;
  readonly culprit: string;
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
    @for (cell of builds(); track cell.path) {
      <button type="button" [class]="cell.verdict" [attr.data-margin]="cell.path" (click)="open(cell.path)">
        <span class="head">
          <span class="name">{{ cell.name }}</span>
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
  private readonly placements = inject(PlacementStudies);
  private readonly router = inject(Router);
  private readonly session = inject(JobSession);
  private readonly locale = inject(PLACE_LOCALE);

  /** The worst of wiring and placement: once there are panels, once there are walls. */
  protected readonly builds = computed(() =>
    [this.wiring(), this.placement()].filter((cell) => cell !== null),
  );
  private readonly placement = computed((): BuildCell | null => {
    const answer = this.placements.answer();
    if (!answer || (this.session.plan()?.lot.walls.length ?? 0) === 0) return null;
    const { verdict, failing, placed, of, culprit } = answer.margin;
    return {
      path: 'placement',
      name: 'Placement',
      verdict,
      share: failing > 0 ? 100 : 50,
      figures: failing > 0 ? `${failing} must be fixed` : `${placed} of ${of} placed`,
      culprit: inWordsOf(this.locale(), culprit),
    };
  });
  private readonly wiring = computed((): BuildCell | null => {
    const answer = this.studies.answer();
    if (!answer || (this.session.plan()?.survey.panels.length ?? 0) === 0) return null;
    const { verdict, failing, checked, culprit } = answer.margin;
    return {
      path: 'wiring',
      name: 'Wiring',
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

  protected open(path: string): void {
    void this.router.navigate(['/jobs', this.session.id(), path]);
  }
}
