import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import { chooseFor, islandOf, measuredIn, takeMeasured } from '@levamen/core/design';
import { measuredStackSchema } from '@levamen/core/equipment';
import { yearsBetween } from '@levamen/core/logbook';
import { calibrateLoads, measuredAt, withCalibration } from '@levamen/core/logbook/details';
import type { LearnedHouse } from '@levamen/core/papers';
import { Button } from 'primeng/button';
import { Appearance } from '../../data/appearance';
import { JobSession } from '../../data/job-session';
import { ChartView } from '../../ui/chart';
import { chartInk } from '../../ui/chart-ink';
import { CompanyLearned } from './company-learned';
import { LogbookState } from './logbook-state';
import { LogbookStudy } from './logbook-study';
import { capacityPicture } from './outage-pictures';

const percent = (share: number): string => `${(share * 100).toFixed(1)} %`;
const timesText = ({ times, error }: { readonly times: number; readonly error: number }): string =>
  `${times.toFixed(2)} ± ${(1.96 * error).toFixed(2)}`;
const endWords = {
  holds: 'It will surely hold more than that.',
  likely: 'It will likely hold more than that, though not surely.',
  short: 'It will likely hold less than that: measure again, and speak to the maker in time.',
} as const;
const fromWords = { recorded: 'recorded', said: 'said', charge: 'by its charge' } as const;

/** What outages taught: the battery over the years, and what the loads really take. */
@Component({
  selector: 'lv-learned-part',
  imports: [Button, ChartView],
  providers: [CompanyLearned],
  templateUrl: './learned-part.html',
  styleUrls: ['./cards.css', './learned-part.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LearnedPart {
  private readonly state = inject(LogbookState);
  protected readonly study = inject(LogbookStudy);
  private readonly session = inject(JobSession);
  private readonly appearance = inject(Appearance);
  protected readonly company = inject(CompanyLearned);

  private readonly points = computed(() => (this.study.battery()?.evidence ?? []).map(({ point }) => point));
  protected readonly options = computed(() => {
    const battery = this.study.battery();
    return (
      battery &&
      capacityPicture(
        battery.forecast,
        this.points(),
        battery.designed.usableWh,
        chartInk(this.appearance.dark()),
      )
    );
  });
  protected readonly since = computed(() => {
    const since = this.study.battery()?.since;
    return since
      ? `In service since ${since}.`
      : 'Nobody said when it was put into service: enter the day at which the job was commissioned. Until then it counts as new.';
  });
  protected readonly rows = computed(() => {
    const battery = this.study.battery();
    if (!battery) return [];
    const names = new Map((this.study.recordings() ?? []).map(({ id, name }) => [id, name]));
    return this.points()
      .toSorted((a, b) => a.years - b.years)
      .map(({ id, years, usableWh, errorWh }) => ({
        id,
        name: names.get(id) ?? 'a recording',
        years: years.toFixed(1),
        usable: `${quantityText(usableWh, 'Wh')} ± ${quantityText(1.96 * errorWh, 'Wh')}`,
        share: percent(usableWh / battery.designed.usableWh),
      }));
  });
  protected readonly forecastSays = computed(() => {
    const battery = this.study.battery();
    if (!battery) return '';
    const { forecast, warranted } = battery;
    const { end } = forecast;
    return `It loses ${percent(forecast.fadePerYear)} ± ${percent(1.96 * forecast.fadeError)} of its capacity a year. After ${warranted.years} years ${percent(end.share)} are left, nine times of ten between ${percent(end.least)} and ${percent(Math.min(1, end.most))}; ${percent(end.warranted)} are warranted${warranted.isSaid ? '' : ' (as is usual: nobody said)'}. ${endWords[forecast.atEnd]}`;
  });

  private readonly evidence = computed(() =>
    this.state.logbook().outages.flatMap((outage) => {
      const known = this.study.told().get(outage.id);
      return known?.of === outage && known.told.loads ? [{ outage, loads: known.told.loads }] : [];
    }),
  );
  protected readonly evidenceRows = computed(() =>
    this.evidence().map(({ outage, loads }) => ({
      id: outage.id,
      name: outage.name,
      from: fromWords[loads.from],
      ordinary: quantityText(loads.ordinaryWh, 'Wh'),
      weather: quantityText(loads.weatherWh, 'Wh'),
      took: `${quantityText(loads.tookWh, 'Wh')} ± ${quantityText(1.96 * loads.errorWh, 'Wh')}`,
    })),
  );
  private readonly calibrated = computed(() => {
    const evidence = this.evidence().map(({ loads }) => loads);
    return evidence.length === 0 ? null : calibrateLoads(evidence);
  });
  protected readonly found = computed(() => {
    const found = this.calibrated();
    return (
      found && {
        ordinary: timesText(found.ordinary),
        weather: timesText(found.weather),
        isWorthIt: found.isWorthIt,
        says: found.isWorthIt
          ? 'What was entered is further off than these outages can be by chance.'
          : 'What was entered lies within what these outages can tell: there is nothing to correct.',
      }
    );
  });
  protected readonly taken = computed(() =>
    this.state.logbook().calibrations.map(({ id, on, by, says }) => ({ id, text: `${on}: ${says} ${by}` })),
  );

  /** What the battery is by now, by what was measured; null = nothing was. */
  private readonly measuredNow = computed(() => {
    const battery = this.study.battery();
    if (!battery) return null;
    const now = new Date().toISOString();
    const years = battery.since === null ? 0 : yearsBetween(battery.since, now);
    const read = measuredStackSchema.safeParse(measuredAt(battery, years, now));
    return read.success ? read.data : null;
  });
  private readonly inDesign = computed(() =>
    measuredIn(this.session.plan()?.equipment, this.study.islandId()),
  );
  protected readonly mayTakeBattery = computed(() => this.measuredNow() !== null);
  protected readonly takenBattery = computed(() => {
    const measured = this.inDesign();
    return measured
      ? `The design counts with what was measured, taken in on ${measured.at.slice(0, 10)}: ${percent(measured.usableTimes)} of its data sheet at that age.`
      : 'The design counts by data sheets.';
  });

  /** Into the design; one step of undo. */
  protected takeBattery(): void {
    const measured = this.measuredNow();
    const plan = this.session.plan();
    const parts = this.study.parts();
    const island = plan && islandOf(plan, this.study.islandId());
    if (!measured || !island || !parts) return;
    this.session.edit('what outages measured', (now) =>
      takeMeasured(chooseFor(now, island, parts), island.id, measured),
    );
  }

  private batteryNow(): LearnedHouse['battery'] {
    const measured = this.measuredNow();
    const parts = this.study.parts();
    return measured && parts ? { parts: [...parts], measured } : null;
  }

  /** Into the loads of this job; one step of undo. */
  protected take(): void {
    const found = this.calibrated();
    if (!found) return;
    const { ordinary, weather, evidence } = found;
    this.session.edit('loads as outages showed them', (plan) =>
      withCalibration(plan, {
        id: crypto.randomUUID(),
        on: this.state.today(),
        by: this.state.who(),
        ordinaryTimes: ordinary.times,
        weatherTimes: weather.times,
        restsOn: evidence.length === 1 ? 'one outage' : `${evidence.length} outages`,
      }),
    );
  }

  protected keepForCompany(): void {
    const found = this.calibrated();
    const job = this.session.job();
    if (!found || !job) return;
    void this.company.keep({
      jobId: this.session.id(),
      jobName: job.name,
      on: this.state.today(),
      ordinaryTimes: Number(found.ordinary.times.toFixed(3)),
      weatherTimes: Number(found.weather.times.toFixed(3)),
      outages: found.evidence.length,
      battery: this.batteryNow(),
    });
  }
}
