import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { quantityText, type UnitSystem } from '@levamen/core/base';
import {
  maxArrays,
  outageSettingsOf,
  type Plan,
  type Scenario,
  scenarioSchema,
  settingsOf,
} from '@levamen/core/design';
import { outageWeather, surplusSolarWhPerDay } from '@levamen/core/study/details';

import { Button } from 'primeng/button';
import { WeatherYears } from '../../../data/weather-years';
import { injectFindings } from '../../../data/findings';
import { FindingsList } from '../../../ui/findings-list';
import { circuitChoices } from '../../../ui/circuit-choices';
import { formOf } from '../../../ui/form';
import { FormField } from '../../../ui/form-field';
import { ArrayFields } from './array-fields';
import { GeneratorFields } from './generator-fields';
import { ScenarioEdits } from './scenario-edits';
import { VehicleFields } from './vehicle-fields';
import { WeatherFields } from './weather-fields';

/** What an outage meets: weather, sun, generator, vehicle, household, battery. */
@Component({
  selector: 'lv-conditions-view',
  imports: [FindingsList, ArrayFields, Button, FormField, GeneratorFields, VehicleFields, WeatherFields],
  providers: [ScenarioEdits],
  template: `
    <div class="cards">
      @if (findings().length > 0) {
        <section class="sheet wide" aria-label="Findings">
          <lv-findings-list [findings]="findings()" />
        </section>
      }
      <section class="sheet" aria-label="Weather">
        <h2>Weather</h2>
        <lv-weather-fields [plan]="plan()" [year]="year()" />
        <div class="grid">
          <lv-form-field [of]="form" name="days" />
          @if (plan().sources.arrays.length > 0) {
            <lv-form-field [of]="form" name="snow" />
          }
        </div>
      </section>
      <section class="sheet" aria-label="Household and battery">
        <h2>Household and battery</h2>
        <div class="grid">
          <lv-form-field [of]="form" name="household" />
          <lv-form-field [of]="form" name="startCharge" />
          <lv-form-field [of]="form" name="keptForRestart" />
          <lv-form-field [of]="form" name="restoreAbove" />
          <lv-form-field [of]="form" name="batteryPlace" />
          @if (handsOn()) {
            <lv-form-field [of]="form" name="resetAfterMin" />
          }
        </div>
      </section>
      <section class="sheet wide" aria-label="Solar">
        <div class="bar">
          <h2>Solar</h2>
          <p-button
            label="Add an array"
            size="small"
            [outlined]="true"
            [disabled]="plan().sources.arrays.length >= mostArrays"
            (onClick)="edits.addArray()"
          />
        </div>
        @for (array of plan().sources.arrays; track array.id) {
          <lv-array-fields [array]="array" [system]="plan().supply.system" [circuits]="circuits()" />
        } @empty {
          <p class="small soft">
            No sun is counted. Each array has its own tilt and direction, and its own inverter (AC-coupled) or
            the inputs of the battery's (DC-coupled).
          </p>
        }
        @if (surplus(); as surplus) {
          <p class="row small">
            <span>
              On the mean day of {{ season() }} the arrays give <b class="figure">{{ surplus.text }}</b> more
              than the house takes at once; the brief says {{ surplus.said }}.
            </span>
            @if (surplus.differs) {
              <p-button
                label="Take it into the brief"
                size="small"
                [text]="true"
                (onClick)="edits.takeSurplus(surplus.wh)"
              />
            }
          </p>
        }
      </section>
      <section class="sheet" aria-label="Generator">
        <h2>Generator</h2>
        @if (plan().sources.generator; as generator) {
          <lv-generator-fields
            [generator]="generator"
            [units]="units()"
            [system]="plan().supply.system"
            [circuits]="circuits()"
          />
        } @else {
          <p class="row">
            <span class="small soft">None.</span>
            <p-button
              label="Add a generator"
              size="small"
              [outlined]="true"
              (onClick)="edits.addGenerator()"
            />
          </p>
        }
      </section>
      <section class="sheet" aria-label="Vehicle">
        <h2>Vehicle</h2>
        @if (plan().sources.vehicle; as vehicle) {
          <lv-vehicle-fields [vehicle]="vehicle" [circuits]="circuits()" />
        } @else {
          <p class="row">
            <span class="small soft"
              >Refused while the grid is away, like any load that is not backed up.</span
            >
            <p-button
              label="Let a vehicle take part"
              size="small"
              [outlined]="true"
              (onClick)="edits.addVehicle()"
            />
          </p>
        }
      </section>
    </div>
  `,
  styleUrl: './conditions.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConditionsView {
  readonly plan = input.required<Plan>();
  /** What a source can hang on; it feeds the island its circuit is in. */
  protected readonly circuits = computed(() =>
    circuitChoices(this.plan().survey, 'not said: the first island'),
  );
  readonly units = input.required<UnitSystem>();
  protected readonly edits = inject(ScenarioEdits);
  protected readonly form = formOf<Scenario>(
    scenarioSchema.shape,
    computed(() => this.plan().outage),
    (change, label) => this.edits.set(label, change),
    { defaults: computed(() => this.said()) },
  );
  protected readonly mostArrays = maxArrays;
  protected readonly said = computed(() => outageSettingsOf(this.plan()));
  private readonly all = injectFindings();
  protected readonly findings = computed(() =>
    this.all().filter(({ key }) => /^(solar|generator)-/.test(key)),
  );
  protected readonly season = computed(() => settingsOf(this.plan()).designSeason.value);
  private readonly weather = inject(WeatherYears);
  protected readonly year = computed(() => outageWeather(this.plan(), this.weather.year().year));
  protected readonly surplus = computed(() => {
    const plan = this.plan();
    if (plan.sources.arrays.length === 0) return null;
    // To a tenth of a kilowatt-hour: more would promise what no weather keeps.
    const wh = Math.round(surplusSolarWhPerDay(plan, this.year()) / 100) * 100;
    const said = plan.brief.surplusSolarWhPerDay;
    return {
      wh,
      text: quantityText(wh, 'Wh'),
      said: said === null ? 'nothing yet' : quantityText(said, 'Wh'),
      differs: said !== wh,
    };
  });
  protected readonly handsOn = computed(() => settingsOf(this.plan()).handsOn.value);
}
