import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { defaultLosses, totalLoss } from '@levamen/core/nature';
import { type SupplySystem, systemFacts } from '@levamen/core/electric';
import { type SolarArray, solarArraySchema, usualInverterW, usualReturnMin } from '@levamen/core/design';
import { Button } from 'primeng/button';
import * as z from 'zod';
import type { Choice } from '../../../ui/choice-field';
import { formOf } from '../../../ui/form';
import { FormField } from '../../../ui/form-field';
import { TextField } from '../../../ui/text-field';
import { horizonText, readHorizon, readShade, shadeText } from './read-points';
import { ScenarioEdits } from './scenario-edits';

/** One solar array. */
@Component({
  selector: 'lv-array-fields',
  imports: [Button, FormField, TextField],
  template: `
    <div class="grid">
      <lv-form-field [of]="form" name="name" />
      <lv-form-field [of]="form" name="ratedW" />
      <lv-form-field [of]="form" name="tiltDeg" />
      <lv-form-field [of]="form" name="facingDeg" />
      <lv-form-field [of]="form" name="coupling" />
      @if (array().coupling === 'ac') {
        <lv-form-field [of]="form" name="inverterW" />
        <lv-form-field [of]="form" name="legs" [choices]="legs()" />
        <lv-form-field [of]="form" name="returnsAfterMin" />
      }
      @if (circuits().length > 1) {
        <lv-form-field [of]="form" name="circuitId" [choices]="circuits()" />
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
  protected readonly horizonSchema = readable(readHorizon);
  protected readonly shadeSchema = readable(readShade);
  protected readonly horizon = computed(() => horizonText(this.array().horizon));
  protected readonly shade = computed(() => shadeText(this.array().shadeByHour));

  protected set(change: Partial<SolarArray>): void {
    this.edits.setArray(this.array().id, change);
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

/** A text that can be read; else with the reader's message. */
const readable = (
  read: (text: string) => { readonly ok: true } | { readonly ok: false; readonly message: string },
) =>
  z.string().superRefine((text, context) => {
    const found = read(text);
    if (!found.ok) context.addIssue({ code: 'custom', message: found.message });
  });
