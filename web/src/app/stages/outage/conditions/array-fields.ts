import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  defaultLosses,
  solarArraySchema,
  systemFacts,
  totalLoss,
  type SolarArray,
  type SupplySystem,
} from '@levamen/core';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { AmountField } from '../../../ui/amount-field';
import { ChoiceField, type Choice } from '../../../ui/choice-field';
import { TextField } from '../../../ui/text-field';
import { horizonText, readHorizon, readShade, shadeText } from './read-points';
import { ScenarioEdits } from './scenario-edits';

/** One solar array. */
@Component({
  selector: 'lv-array-fields',
  imports: [AmountField, Button, ChoiceField, FormsModule, InputText, TextField],
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
          [assumed]="array().ratedW / 1.2"
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
      <div class="field">
        <label [for]="horizonId">Horizon</label>
        <input
          pInputText
          pSize="small"
          placeholder="90:12, 180:5"
          [id]="horizonId"
          [(ngModel)]="horizon"
          [attr.aria-invalid]="horizonError() !== '' || null"
          [attr.aria-describedby]="horizonId + '-note'"
          (blur)="takeHorizon()"
          (keydown.enter)="takeHorizon()"
        />
        <span class="note" aria-live="polite" [id]="horizonId + '-note'">
          @if (horizonError() !== '') {
            <span class="error">{{ horizonError() }}</span>
          } @else {
            direction:height of hills and trees
          }
        </span>
      </div>
      <div class="field">
        <label [for]="shadeId">Shade by hour</label>
        <input
          pInputText
          pSize="small"
          placeholder="7-10 60"
          [id]="shadeId"
          [(ngModel)]="shade"
          [attr.aria-invalid]="shadeError() !== '' || null"
          [attr.aria-describedby]="shadeId + '-note'"
          (blur)="takeShade()"
          (keydown.enter)="takeShade()"
        />
        <span class="note" aria-live="polite" [id]="shadeId + '-note'">
          @if (shadeError() !== '') {
            <span class="error">{{ shadeError() }}</span>
          } @else {
            hours and per cent of the beam
          }
        </span>
      </div>
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
  styleUrls: ['./conditions.css', '../../../ui/field.css'],
  host: { class: 'part' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ArrayFields {
  readonly array = input.required<SolarArray>();
  readonly system = input.required<SupplySystem>();
  protected readonly edits = inject(ScenarioEdits);
  protected readonly shape = solarArraySchema.shape;
  protected readonly usualLoss = totalLoss(defaultLosses);
  protected readonly couplings: Choice<SolarArray['coupling']>[] = [
    { label: 'AC, own inverter', value: 'ac' },
    { label: 'DC, battery inverter', value: 'dc' },
  ];
  protected readonly legs = computed((): Choice<SolarArray['legs']>[] =>
    systemFacts[this.system()].legSets.map((set) => ({ label: set, value: set })),
  );
  protected readonly horizonId = `horizon-${nextId()}`;
  protected readonly shadeId = `shade-${nextId()}`;
  protected readonly horizon = linkedSignal(() => horizonText(this.array().horizon));
  protected readonly shade = linkedSignal(() => shadeText(this.array().shadeByHour));
  protected readonly horizonError = signal('');
  protected readonly shadeError = signal('');

  protected set(change: Partial<SolarArray>): void {
    this.edits.setArray(this.array().id, change);
  }

  protected takeHorizon(): void {
    const read = readHorizon(this.horizon());
    this.horizonError.set(read.ok ? '' : read.message);
    if (read.ok && horizonText(read.horizon) !== horizonText(this.array().horizon))
      this.set({ horizon: read.horizon });
  }

  protected takeShade(): void {
    const read = readShade(this.shade());
    this.shadeError.set(read.ok ? '' : read.message);
    if (read.ok && shadeText(read.shadeByHour) !== shadeText(this.array().shadeByHour)) {
      this.set({ shadeByHour: read.shadeByHour });
    }
  }
}

let lastId = 0;
const nextId = (): number => (lastId += 1);
