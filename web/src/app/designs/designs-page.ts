import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router } from '@angular/router';
import { type Figure, nameList, nameSchema, quantityText } from '@levamen/core/base';
import { seasons } from '@levamen/core/nature';
import { laneOfCircuits, type Plan, schoolFacts, softStarted } from '@levamen/core/design';
import { chooseDesign, copyDesign, maxDesigns, removeDesign, renameDesign } from '@levamen/core/job';
import { moneyDifference } from '@levamen/core/offer';
import type { Margin, SeasonOutlook, Verdict } from '@levamen/core/study';
import { Button } from 'primeng/button';
import { DailyStudies } from '../data/daily-studies';
import { EvaluationService } from '../data/evaluation';
import { JobSession } from '../data/job-session';
import { MeasuredYearOfJob } from '../data/measured-year';
import { MeterData } from '../data/meter-data';
import { dailyWords } from './daily-words';
import { FigureButton } from '../ui/figure-button';
import { moneyText } from '../ui/money-text';
import { reachedText, shareText } from '../ui/outlook-texts';
import { seasonLabels } from '../ui/season-labels';
import { TextField } from '../ui/text-field';
import { VerdictMark } from '../ui/verdict-mark';
import { type DesignResult, DesignResults } from './design-results';
import { OverEachOther } from './over-each-other';

interface Cell {
  readonly text: string;
  /** Demand and limit, each opening to its working; null = the text says all. */
  readonly figures: readonly [Figure, Figure] | null;
  readonly verdict: Verdict | null;
  /** Not simulated yet. */
  readonly rough: boolean;
  /** It differs from the design before. */
  readonly differs: boolean;
}

interface Row {
  readonly label: string;
  readonly cells: readonly Cell[];
}

interface Group {
  readonly label: string;
  readonly rows: readonly Row[];
}

type Said = Omit<Cell, 'differs'>;
const dailyLabels = {
  bill: 'Electricity',
  saved: 'Less than as it is',
  payback: 'Paid back',
  ownUse: 'Own use of the sun',
  sufficiency: 'Self-sufficiency',
} as const;
const said = (text: string): Said => ({ text, figures: null, verdict: null, rough: false });
const later: Said = { text: '…', figures: null, verdict: null, rough: true };

/** The designs of a job beside each other: what each is made of, what it does, what it costs. */
@Component({
  selector: 'lv-designs-page',
  imports: [Button, FigureButton, OverEachOther, TextField, VerdictMark],
  providers: [DailyStudies, DesignResults, MeasuredYearOfJob, MeterData],
  templateUrl: './designs-page.html',
  styleUrl: './designs-page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DesignsPage {
  protected readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly router = inject(Router);
  private readonly results = inject(DesignResults).results;
  protected readonly units = this.evaluations.units;

  protected readonly name = nameSchema(80);
  protected readonly heads = computed(() => {
    const job = this.session.job();
    const lookedAt = this.session.designId();
    return (job?.designs ?? []).map(({ id, name }) => ({
      id,
      name,
      isChosen: id === job!.chosenDesignId,
      isLookedAt: id === lookedAt,
    }));
  });
  protected readonly isFull = computed(() => this.heads().length >= maxDesigns);
  protected readonly groups = computed((): Group[] => {
    const results = this.results();
    if (results.length === 0) return [];
    const row = (label: string, of: (one: DesignResult) => Said): Row => {
      const cells = results.map(of);
      return {
        label,
        cells: cells.map((cell, index) => ({
          ...cell,
          differs: index > 0 && !cell.rough && cell.text !== cells[index - 1]!.text,
        })),
      };
    };
    const margins = results[0]!.evaluation.margins.map(({ key, label }) =>
      row(label, ({ evaluation }) => marginCell(evaluation.margins.find((margin) => margin.key === key))),
    );
    return [
      {
        label: 'Made of',
        rows: [
          row('Units', ({ evaluation }) => said(evaluation.selected?.stack.name ?? 'none')),
          row('Chosen by', ({ evaluation }) =>
            said(evaluation.selectedBy === 'user' ? 'somebody' : 'the search'),
          ),
          row('Battery', ({ evaluation }) => this.quantity(evaluation.selected?.stack.nameplateWh, 'Wh')),
          row('Inverters', ({ evaluation }) => this.quantity(evaluation.selected?.stack.continuousVA, 'VA')),
          row('Solar', ({ plan }) =>
            this.quantity(
              plan.sources.arrays.reduce((sum, { ratedW }) => sum + ratedW, 0),
              'W',
            ),
          ),
          row('How it is backed up', ({ plan }) => said(schoolText(plan))),
          row('Generator', ({ plan }) => said(generatorText(plan))),
          row('Soft starters', ({ plan }) => said(softStarterText(plan))),
          row('Circuits that stay on', ({ plan }) => said(String(circuitsIn(plan, 'on')))),
          row('Shed by a device', ({ plan }) => said(String(circuitsIn(plan, 'auto')))),
        ],
      },
      { label: 'Margins', rows: margins },
      {
        label: 'Hours that 19 of 20 outages reach, and chance to get through what is required',
        rows: [
          ...seasons.map((season) =>
            row(seasonLabels[season], ({ bySeason }) => this.outlookCell(bySeason[season])),
          ),
          row('Comfort served', ({ comfort }) =>
            comfort === null ? later : said(comfort === undefined ? '–' : shareText(comfort)),
          ),
        ],
      },
      {
        label: 'A year with the grid',
        rows: (['bill', 'saved', 'payback', 'ownUse', 'sufficiency'] as const).map((key) =>
          row(dailyLabels[key], ({ daily, price, plan }) =>
            daily ? said(dailyWords(daily, price, plan)[key]) : later,
          ),
        ),
      },
      {
        label: 'Price',
        rows: [
          row('With fees and taxes', ({ price }) =>
            said(
              price
                ? `${price.estimatedWire === null ? '' : '≈ '}${moneyText(price.gross, price.currency)}`
                : 'not priced',
            ),
          ),
          row('After incentives', ({ price }) =>
            said(price ? moneyText(price.afterIncentives, price.currency) : '–'),
          ),
          {
            label: 'More than the one before',
            cells: results.map(({ price }, index) => {
              const before = results[index - 1]?.price ?? null;
              const more = price && before ? moneyDifference(before.gross, price.gross) : null;
              return {
                ...said(more === null || !price ? '–' : moneyText(more, price.currency)),
                differs: false,
              };
            }),
          },
          row('Without a price', ({ price }) => said(price?.missing.join(', ') || '–')),
        ],
      },
    ];
  });

  protected copy(id: string): void {
    const newId = crypto.randomUUID();
    this.session.editJob('copy of a design', (job) => copyDesign(job, id, newId));
    this.session.lookAt(newId);
  }

  protected rename(id: string, name: string): void {
    this.session.editJob('name of a design', (job) => renameDesign(job, id, name));
  }

  protected choose(id: string): void {
    this.session.editJob('choice of a design', (job) => chooseDesign(job, id));
  }

  protected remove(id: string): void {
    this.session.editJob('design removed', (job) => removeDesign(job, id));
  }

  protected open(id: string): void {
    this.session.lookAt(id);
    void this.router.navigate(['/jobs', this.session.id(), 'backup']);
  }

  private quantity(value: number | undefined, unit: 'Wh' | 'VA' | 'W'): Said {
    return said(value === undefined ? '–' : quantityText(value, unit, this.units()));
  }

  private outlookCell(outlook: SeasonOutlook | null): Said {
    if (!outlook) return later;
    const { nineteenOfTwentyH, followedH, requiredShare } = outlook;
    const chance = requiredShare >= 1 ? '100 %' : shareText(requiredShare);
    return said(`${reachedText(nineteenOfTwentyH, followedH, this.units())}, ${chance}`);
  }
}

function marginCell(margin: Margin | undefined): Said {
  if (!margin) return said('–');
  const { ratio, rough, verdict, demand, limit } = margin;
  const text = Number.isFinite(ratio) ? String(Math.round(ratio * 1000)) : 'not yet known';
  return { text, figures: [demand, limit], verdict: rough ? null : verdict, rough };
}

const schoolText = ({ backup }: Plan): string => {
  const words = backup.services.map(({ school }) => (school ? schoolFacts[school].label : 'not said yet'));
  return nameList([...new Set(words)]) || 'not said yet';
};

const generatorText = ({ sources: { generator } }: Plan): string =>
  generator
    ? `${quantityText(generator.powerW, 'W')}, ${generator.start === 'auto' ? 'starts itself' : 'by hand'}`
    : 'none';

const softStarterText = (plan: Plan): string => {
  const started = softStarted(plan);
  return nameList(plan.loads.filter(({ id }) => started.has(id)).map(({ name }) => name)) || 'none';
};

function circuitsIn(plan: Plan, lane: 'on' | 'auto'): number {
  const laneOf = laneOfCircuits(plan);
  return plan.survey.panels
    .flatMap(({ circuits }) => circuits)
    .filter(({ use, id }) => use === 'circuit' && laneOf(id).lane === lane).length;
}
