import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { defaultLosses, totalLoss } from '@levamen/core/nature';
import { type SupplySystem, systemFacts } from '@levamen/core/electric';
import {
  type Modules,
  modulesSchema,
  modulesText,
  readModules,
  type SolarArray,
  solarArraySchema,
  usualInverterW,
  usualReturnMin,
  withModules,
} from '@levamen/core/design';
import { Button } from 'primeng/button';
import * as z from 'zod';
import type { Choice } from '../../../ui/choice-field';
import { formOf } from '../../../ui/form';
import { FormField } from '../../../ui/form-field';
import { TextField } from '../../../ui/text-field';
import { CircuitsField } from './circuits-field';
import { horizonText, readHorizon, readShade, shadeText } from './read-points';
import { ScenarioEdits } from './scenario-edits';

/** One solar array. */
@Component({
  selector: 'lv-array-fields',
  imports: [Button, CircuitsField, FormField, TextField],
  template: `
    <div class="grid">
      <lv-form-field [of]="form" name="name" />
      <lv-text-field
        label="Modules"
        hint="number and power of each, as 13 x 410 W; empty: only the power is known"
        [schema]="modulesSchema"
        [value]="modules()"
        (valueChange)="takeModules($event)"
      />
      <lv-form-field [of]="form" name="ratedW" />
      @if (array().modules) {
        <lv-form-field [of]="ofModules" name="inverters" />
      }
      <lv-form-field [of]="form" name="tiltDeg" />
      <lv-form-field [of]="form" name="facingDeg" />
      <lv-form-field [of]="form" name="existing" />
      <lv-form-field [of]="form" name="coupling" />
      @if (array().coupling === 'ac') {
        <lv-form-field [of]="form" name="inverterW" />
        <lv-form-field [of]="form" name="legs" [choices]="legs()" />
        <lv-form-field [of]="form" name="returnsAfterMin" />
      }
      @if (circuits().length > 1) {
        <lv-form-field [of]="form" name="circuitId" [choices]="circuits()" />
        @if (array().circuitId !== null && array().coupling === 'ac') {
          <lv-circuits-field
            label="And on circuits"
            hint="each carries its share"
            [circuits]="others()"
            [value]="array().moreCircuits"
            (valueChange)="set({ moreCircuits: $event })"
          />
        }
      }
      <lv-form-field [of]="form" name="loss" />
      <lv-text-field
        label="Horizon"
        hint="direction:height of hills and trees, as 90:12, 180:5"
        [schema]="horizonSchema"
        [value]="horizon()"
        (valueChange)="takeHorizon($event)"
      />
      <lv-text-field
        label="Shade by hour"
        hint="hours and per cent of the beam, as 7-10 60"
        [schema]="shadeSchema"
        [value]="shade()"
        (valueChange)="takeShade($event)"
      />
      <p-button
        label="Remove"
        icon="pi pi-trash"
        size="small"
        [text]="true"
        [ariaLabel]="'Remove ' + array().name"
        (onClick)="edits.removeArray(array().id)"
      />
    </div>
  `,
  styleUrl: './conditions.css',
  host: { class: 'part' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ArrayFields {
  readonly array = input.required<SolarArray>();
  readonly system = input.required<SupplySystem>();
  readonly circuits = input.required<readonly Choice<string | null>[]>();
  protected readonly edits = inject(ScenarioEdits);
  protected readonly others = computed(() =>
    this.circuits().filter(({ value }) => value !== this.array().circuitId),
  );
  protected readonly form = formOf<SolarArray>(
    solarArraySchema.shape,
    this.array,
    (change) => this.set(change),
    {
      defaults: computed(() => ({
        inverterW: { value: usualInverterW(this.array()), why: 'a sixth less than the modules' },
        returnsAfterMin: { value: usualReturnMin, why: 'IEEE 1547-2018, enter-service delay, recalled' },
        loss: { value: totalLoss(defaultLosses), why: 'NREL/TP-6A20-62641, recalled' },
      })),
    },
  );
  protected readonly legs = computed((): Choice<SolarArray['legs']>[] =>
    systemFacts[this.system()].legSets.map((set) => ({ label: set, value: set })),
  );
  protected readonly ofModules = formOf<Modules>(
    modulesSchema.shape,
    computed(() => this.array().modules ?? noModules),
    (change) => this.set({ modules: { ...(this.array().modules ?? noModules), ...change } }),
  );
  protected readonly modulesSchema = readable((text) =>
    text.trim() === '' || readModules(text) !== null
      ? { ok: true }
      : { ok: false, message: 'Write number and power of the modules as 13 x 410 W' },
  );
  protected readonly modules = computed(() => modulesText(this.array().modules));
  protected readonly horizonSchema = readable(readHorizon);
  protected readonly shadeSchema = readable(readShade);
  protected readonly horizon = computed(() => horizonText(this.array().horizon));
  protected readonly shade = computed(() => shadeText(this.array().shadeByHour));

  /** A power that is typed is not that of the modules any more. */
  protected set(change: Partial<SolarArray>): void {
    this.edits.setArray(this.array().id, 'ratedW' in change ? { modules: null, ...change } : change);
  }

  protected takeModules(text: string): void {
    const read = readModules(text);
    const { inverters } = this.array().modules ?? noModules;
    const { modules, ratedW } = withModules(this.array(), read && { ...read, inverters });
    this.set({ modules, ratedW });
  }

  protected takeHorizon(text: string): void {
    const read = readHorizon(text);
    if (read.ok) this.set({ horizon: read.horizon });
  }

  protected takeShade(text: string): void {
    const read = readShade(text);
    if (read.ok) this.set({ shadeByHour: read.shadeByHour });
  }
}

const noModules: Modules = { count: 1, eachW: 400, inverters: 'string' };

/** A text that can be read; else with the reader's message. */
const readable = (
  read: (text: string) => { readonly ok: true } | { readonly ok: false; readonly message: string },
) =>
  z.string().superRefine((text, context) => {
    const found = read(text);
    if (!found.ok) context.addIssue({ code: 'custom', message: found.message });
  });
