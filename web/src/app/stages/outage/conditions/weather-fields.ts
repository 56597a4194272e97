import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { quantityText } from '@levamen/core/base';
import {
  dailyLightWhPerM2,
  typicalClimates,
  type WeatherYear,
  worstSpells,
  writeEpw,
} from '@levamen/core/nature';
import { outageSettingsOf, type Plan, scenarioSchema } from '@levamen/core/design';

import type { SavedWeather } from '@levamen/core/api';
import { Button } from 'primeng/button';
import { catchError, of, startWith, Subject, switchMap } from 'rxjs';
import { JobsApi, problemText } from '../../../data/jobs-api';
import { WeatherYears } from '../../../data/weather-years';
import { AmountField } from '../../../ui/amount-field';
import { ChoiceField, type Choice } from '../../../ui/choice-field';
import { dayText } from '../moment-text';
import { ScenarioEdits } from './scenario-edits';

/** Which year of weather: a typical climate, or a file. */
@Component({
  selector: 'lv-weather-fields',
  imports: [AmountField, Button, ChoiceField],
  template: `
    <div class="grid">
      <lv-choice-field
        label="Climate, typical"
        [choices]="climates"
        [value]="plan().outage.climateId"
        [assumed]="said().climate.value.id"
        [why]="said().climate.why"
        (valueChange)="edits.set('climate', { climateId: $event })"
      />
      <lv-choice-field
        label="Or a year from a file"
        hint="Hourly year, EPW or TMY3"
        [choices]="files()"
        [value]="plan().outage.weatherId ?? ''"
        (valueChange)="edits.set('weather file', { weatherId: $event || null })"
      />
      <lv-amount-field
        label="Seed"
        unit="count"
        hint="Another number, another year"
        [schema]="shape.seed"
        [value]="plan().outage.seed"
        (valueChange)="edits.set('seed', { seed: $event ?? 1 })"
      />
    </div>
    <p class="row">
      <label class="file"
        >Read a weather file
        <input #file type="file" accept=".epw,.csv,.txt" (change)="read(file.files); file.value = ''" />
      </label>
      <p-button label="Save this year as EPW" size="small" [text]="true" (onClick)="save()" />
      @if (busy()) {
        <span role="status" class="small">Reading…</span>
      }
    </p>
    @if (problem() !== '') {
      <p class="problem small" role="alert">{{ problem() }}</p>
    }
    <p class="small">{{ facts() }}</p>
  `,
  styleUrls: ['./conditions.css', '../../../ui/file-button.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WeatherFields {
  readonly plan = input.required<Plan>();
  /** The year in use. */
  readonly year = input.required<WeatherYear>();
  private readonly api = inject(JobsApi);
  private readonly weather = inject(WeatherYears);
  protected readonly edits = inject(ScenarioEdits);
  protected readonly shape = scenarioSchema.shape;
  protected readonly said = computed(() => outageSettingsOf(this.plan()));
  protected readonly climates: Choice<string>[] = typicalClimates.map(({ id, name }) => ({
    label: name,
    value: id,
  }));

  private readonly changed = new Subject<void>();
  private readonly kept = toSignal(
    this.changed.pipe(
      startWith(undefined),
      switchMap(() => this.api.weatherList().pipe(catchError(() => of<SavedWeather[]>([])))),
    ),
    { initialValue: [] as SavedWeather[] },
  );
  protected readonly files = computed((): Choice<string>[] => [
    { label: 'none', value: '' },
    ...this.kept().map(({ id, name }) => ({ label: name, value: id })),
  ]);
  protected readonly busy = signal(false);
  private readonly refused = signal('');
  protected readonly problem = computed(() => this.refused() || this.weather.year().problem);
  protected readonly facts = computed(() => {
    const year = this.year();
    const light = dailyLightWhPerM2(year);
    const mean = light.reduce((sum, day) => sum + day, 0) / 365;
    const coldest = year.temperatureC.reduce((least, value) => Math.min(least, value));
    const [three] = worstSpells(year, [3]);
    return `${year.name}, ${year.source}: ${(mean / 1000).toFixed(1)} kWh/m² on the mean day; the darkest three days begin on ${dayText(three!.firstDay)} with ${(three!.meanWhPerM2 / 1000).toFixed(2)} kWh/m² a day; coldest hour ${quantityText(coldest, '°C', this.plan().site.units)}.`;
  });

  protected read(files: FileList | null): void {
    const file = files?.[0];
    if (!file) return;
    this.busy.set(true);
    this.refused.set('');
    this.api.readWeather(file).subscribe({
      next: ({ id }) => {
        this.busy.set(false);
        this.changed.next();
        this.edits.set('weather file', { weatherId: id });
      },
      error: (error: unknown) => {
        this.busy.set(false);
        this.refused.set(`${file.name} was not taken. ${problemText(error)}`);
      },
    });
  }

  protected save(): void {
    const year = this.year();
    const address = URL.createObjectURL(new Blob([writeEpw(year)], { type: 'text/csv' }));
    const link = document.createElement('a');
    link.href = address;
    link.download = `${year.name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.epw`;
    link.click();
    URL.revokeObjectURL(address);
  }
}
