import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { amountSchema, nameSchema, quantityText } from '@levamen/core/base';
import type { SupplySystem } from '@levamen/core/electric';
import { libraryFor } from '@levamen/core/house/details';
import { changePlan, newJob } from '@levamen/core/job';
import { type Season, seasons } from '@levamen/core/nature';
import { quickAnswer } from '@levamen/core/study/details';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { catchError, EMPTY } from 'rxjs';
import { JobsApi, problemText } from '../data/jobs-api';
import { AmountField } from '../ui/amount-field';
import { type Choice, ChoiceField } from '../ui/choice-field';
import { seasonLabels } from '../ui/season-labels';
import { supplyChoices } from '../ui/supply-choices';
import { askedGroups, tickedAtFirst } from './asked-loads';

/** A first answer on the telephone: a handful of loads, hours and season give ranges of energy and power, with the reasons. */
@Component({
  selector: 'lv-quick-page',
  imports: [AmountField, Button, Checkbox, ChoiceField, FormsModule, InputText, RouterLink],
  templateUrl: './quick-page.html',
  styleUrl: './quick-page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class QuickPage {
  private readonly api = inject(JobsApi);
  private readonly router = inject(Router);

  protected readonly system = signal<SupplySystem>('split-120-240');
  protected readonly requiredRuntimeH = signal(24);
  protected readonly season = signal<Season>('winter');
  protected readonly solarW = signal(0);
  protected readonly ticked = signal<ReadonlySet<string>>(new Set(tickedAtFirst));
  protected readonly name = signal('');
  protected readonly error = signal('');

  protected readonly supplyChoices = supplyChoices;
  protected readonly seasonChoices: Choice<Season>[] = seasons.map((value) => ({
    value,
    label: seasonLabels[value],
  }));
  protected readonly hoursSchema = amountSchema(0.5, 720, 'h');
  protected readonly solarSchema = amountSchema(0, 100_000, 'W');

  private readonly library = computed(() => libraryFor(this.system()));
  protected readonly groups = computed(() =>
    askedGroups.map(({ name, ids }) => ({
      name,
      loads: ids.flatMap((id) => {
        const load = this.library().find((entry) => entry.id === id);
        return load ? [{ id, name: load.name, power: quantityText(load.runningPowerW, 'W') }] : [];
      }),
    })),
  );
  private readonly answer = computed(() =>
    quickAnswer({
      system: this.system(),
      loads: this.library().filter(({ id }) => this.ticked().has(id)),
      requiredRuntimeH: this.requiredRuntimeH(),
      season: this.season(),
      solarW: this.solarW(),
    }),
  );
  protected readonly shown = computed(() => {
    const answer = this.answer();
    if (!answer) return null;
    const { energyWh, powerVA, worstStart, small } = answer;
    const kWh = (wh: number): string => quantityText(wh, 'Wh');
    return {
      energy: `${kWh(energyWh.from)} to ${kWh(energyWh.to)}`,
      energyNotes: [`from: ${energyWh.fromBecause}`, `to: ${energyWh.toBecause}`],
      leadAcid: kWh(answer.leadAcidWh),
      power: `${quantityText(powerVA.from, 'VA')} to ${quantityText(powerVA.to, 'VA')}`,
      powerNotes: [`from: ${powerVA.fromBecause}`, `to: ${powerVA.toBecause}`],
      start: worstStart
        ? `${worstStart.load.name} starts on top of what runs: ${quantityText(worstStart.totalVA, 'VA')} for ${quantityText(worstStart.durationS, 's')}`
        : 'Nothing here starts hard.',
      bands: answer.bands.map(({ powerW, hours }) => ({
        power: quantityText(powerW, 'W'),
        hours: quantityText(hours, 'h'),
      })),
      smallPower: quantityText(small.powerVA, 'VA'),
      carries: small.carries.map(({ name }) => name).join('; ') || 'none of these',
      givesWay: small.givesWay.map(({ load, because }) => ({
        name: load.name,
        because: `${because}; marked ${load.tier}`,
      })),
    };
  });

  protected tick(id: string, ticked: boolean): void {
    this.ticked.update((now) => {
      const next = new Set(now);
      if (ticked) next.add(id);
      else next.delete(id);
      return next;
    });
  }

  /** The job begins with what was ticked here. */
  protected start(): void {
    const answer = this.answer();
    const checked = nameSchema(120).safeParse(this.name().trim());
    if (!checked.success || !answer) {
      this.error.set(checked.success ? 'Tick a load first' : checked.error.issues[0]!.message);
      return;
    }
    this.api
      .create(changePlan(newJob(checked.data, this.system()), () => answer.plan))
      .pipe(
        catchError((error: unknown) => {
          this.error.set(problemText(error));
          return EMPTY;
        }),
      )
      .subscribe(({ id }) => void this.router.navigate(['/jobs', id]));
  }
}
