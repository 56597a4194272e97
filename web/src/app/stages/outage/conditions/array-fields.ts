import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { defaultLosses, totalLoss } from '@levamen/core/nature';
import { type SupplySystem, systemFacts } from '@levamen/core/electric';
import { type SolarArray, solarArraySchema, usualInverterW } from '@levamen/core/design';
import { Button } from 'primeng/button';
import * as z from 'zod';
import { AmountField } from '../../../ui/amount-field';
import { ChoiceField, type Choice } from '../../../ui/choice-field';
import { TextField } from '../../../ui/text-field';
import { horizonText, readHorizon, readShade, shadeText } from './read-points';
import { ScenarioEdits } from './scenario-edits';

/** One solar array. */
@Component({
  selector: 'lv-array-fields',
  imports: [AmountField, Button, ChoiceField, TextField],
  template: `
    <div class="grid">
      <lv-text-field
        label="Array"
        [schema]="shape.name"
        [value]="array().name"
        (valueChange)="set({ name: $event })"
      />
      <lv-amount-field
        label="Power of the modules"
        unit="W"
        [schema]="shape.ratedW"
        [value]="array().ratedW"
        (valueChange)="set({ ratedW: $event ?? array().ratedW })"
      />
      <lv-amount-field
        label="Tilt"
        unit="deg"
        [schema]="shape.tiltDeg"
        [value]="array().tiltDeg"
        (valueChange)="set({ tiltDeg: $event ?? 0 })"
      />
      <lv-amount-field
        label="Faces"
        unit="deg"
        hint="0 north, 90 east, 180 south"
        [schema]="shape.facingDeg"
        [value]="array().facingDeg"
        (valueChange)="set({ facingDeg: $event ?? 0 })"
      />
      <lv-choice-field
        label="Coupling"
        [choices]="couplings"
        [value]="array().coupling"
        (valueChange)="set({ coupling: $event ?? 'ac' })"
      />
      @if (array().coupling === 'ac') {
        <lv-amount-field
          label="Its inverter"
          unit="W"
          [optional]="true"
          [schema]="shape.inverterW"
          [value]="array().inverterW"
          [assumed]="usualInverterW()"
          why="a sixth less than the modules"
          (valueChange)="set({ inverterW: $event })"
        />
        <lv-choice-field
          label="Legs"
          [choices]="legs()"
          [value]="array().legs"
          (valueChange)="set({ legs: $event ?? array().legs })"
        />
      }
      @if (circuits().length > 1) {
        <lv-choice-field
          label="On circuit"
          [choices]="circuits()"
          [value]="array().circuitId"
          (valueChange)="set({ circuitId: $event })"
        />
      }
      <lv-amount-field
        label="Losses"
        unit="share"
        [optional]="true"
        [schema]="shape.loss"
        [value]="array().loss"
        [assumed]="usualLoss"
        why="NREL/TP-6A20-62641, recalled"
        (valueChange)="set({ loss: $event })"
      />
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
  protected readonly shape = solarArraySchema.shape;
  protected readonly usualLoss = totalLoss(defaultLosses);
  protected readonly usualInverterW = computed(() => usualInverterW(this.array()));
  protected readonly couplings: Choice<SolarArray['coupling']>[] = [
    { label: 'AC, own inverter', value: 'ac' },
    { label: 'DC, battery inverter', value: 'dc' },
  ];
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
