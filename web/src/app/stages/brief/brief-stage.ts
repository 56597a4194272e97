import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type Supply, supplySchema } from '@levamen/core/electric';
import { outageFacts, type Site, siteSchema } from '@levamen/core/house';
import {
  type Brief,
  briefSchema,
  changeSupply,
  changeTimeZone,
  emptyPlan,
  type GoalWeight,
} from '@levamen/core/design';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import type { Choice } from '../../ui/choice-field';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { supplyChoices } from '../../ui/supply-choices';
import { OwnSolarNote } from './own-solar-note';
import { PartiesCard } from './parties-card';
import { PlannedFields } from './planned-fields';
import { ServiceRating } from './service-rating';

type GoalKey = keyof Brief['goals'];

const goals: readonly { readonly key: GoalKey; readonly label: string; readonly means: string }[] = [
  { key: 'outage', label: 'Ride out outages', means: 'backup set × required runtime' },
  { key: 'ownSolar', label: 'Use own solar', means: 'evening and night against surplus solar' },
  { key: 'peakPrice', label: 'Dodge peak prices', means: 'evening consumption' },
];

/** What the household wants, where, and how the house is fed. */
@Component({
  selector: 'lv-brief-stage',
  imports: [
    Button,
    FormField,
    FormsModule,
    OwnSolarNote,
    PartiesCard,
    PlannedFields,
    SelectButton,
    ServiceRating,
  ],
  templateUrl: './brief-stage.html',
  styleUrl: './brief-stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BriefStage {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);

  protected readonly plan = this.session.plan;
  protected readonly settings = computed(() => this.evaluations.evaluation()?.settings ?? null);
  protected readonly units = this.evaluations.units;
  private readonly asked = computed(() => this.plan()?.brief ?? emptyPlan().brief);
  /** Until the job is open nothing is drawn. */
  protected readonly form = formOf<Brief>(briefSchema.shape, this.asked, (change) => this.setBrief(change), {
    units: this.units,
    defaults: computed(() => {
      const settings = this.settings();
      return settings
        ? {
            ...settings,
            outageDepth: {
              value: settings.outageDepth.lithium.value,
              why: '100 % for lithium, 50 % for lead-acid',
            },
            dailyDepth: {
              value: settings.dailyDepth.lithium.value,
              why: '80 % for lithium, 50 % for lead-acid',
            },
          }
        : {};
    }),
  });
  protected readonly site = formOf<Site>(
    siteSchema.shape,
    computed(() => (this.plan() ?? emptyPlan()).site),
    (change) => this.setSite(change),
    { units: this.units, defaults: computed(() => this.settings() ?? {}) },
  );
  protected readonly supply = formOf<Supply>(
    supplySchema.shape,
    computed(() => (this.plan() ?? emptyPlan()).supply),
    (change) => this.setSupply(change),
  );

  protected readonly goals = goals;
  protected readonly goalChoices: Choice<GoalWeight>[] = [
    { label: 'decides', value: 'decides' },
    { label: 'counts', value: 'counts' },
    { label: 'no', value: 'none' },
  ];
  protected readonly gapChoices: Choice<number>[] = [
    { label: 'Not noticed (20 ms)', value: 20 },
    { label: 'Lights may blink (1 s)', value: 1000 },
    { label: 'A minute does not matter', value: 60_000 },
  ];
  protected readonly supplyChoices = supplyChoices;
  /** What the required runtime means against the outages on record. */
  protected readonly coverage = computed(() => {
    const usage = this.plan()?.usage;
    const runtimeH = this.settings()?.requiredRuntimeH.value;
    const facts =
      usage && runtimeH !== undefined ? outageFacts(usage.outages, usage.outageYears, runtimeH) : null;
    if (!facts || facts.sustained === 0) return '';
    const whole = Math.round(facts.coveredShare * 100);
    const hours = Math.round(facts.coveredHoursShare * 100);
    return `Of the ${facts.sustained} longer outages on record, ${runtimeH} h cover ${whole} % from end to end, and ${hours} % of the hours without grid.`;
  });
  protected readonly gapListed = computed(() => {
    const said = this.plan()?.brief.transferGapToleranceMs ?? null;
    return said === null || this.gapChoices.some(({ value }) => value === said)
      ? this.gapChoices
      : [...this.gapChoices, { label: `${said} ms`, value: said }];
  });

  private setBrief(change: Partial<Brief>): void {
    this.session.edit('brief', (plan) => ({ ...plan, brief: { ...plan.brief, ...change } }));
  }

  protected setGoal(key: GoalKey, weight: GoalWeight | null): void {
    if (weight === null) return;
    this.session.edit('goal', (plan) => ({
      ...plan,
      brief: { ...plan.brief, goals: { ...plan.brief.goals, [key]: weight } },
    }));
  }

  /** What was told by the clock of the house stays so in another zone. */
  private setSite({ timeZone, ...rest }: Partial<Site>): void {
    this.session.edit('site', (plan) => {
      const changed = { ...plan, site: { ...plan.site, ...rest } };
      return timeZone === undefined ? changed : changeTimeZone(changed, timeZone);
    });
  }

  /** Another system moves what hangs on legs. */
  private setSupply({ system, ...change }: Partial<Supply>): void {
    this.session.edit('supply', (plan) => {
      const changed = { ...plan, supply: { ...plan.supply, ...change } };
      return system ? changeSupply(changed, system) : changed;
    });
  }

  protected addPlanned(): void {
    this.session.edit('planned addition', (plan) => ({
      ...plan,
      brief: {
        ...plan.brief,
        plannedAdditions: [
          ...plan.brief.plannedAdditions,
          {
            id: crypto.randomUUID(),
            name: `Addition ${plan.brief.plannedAdditions.length + 1}`,
            kind: 'load',
            runningPowerW: 1000,
            energyWhPerDay: 3000,
            countIn: false,
          },
        ],
      },
    }));
  }
}
