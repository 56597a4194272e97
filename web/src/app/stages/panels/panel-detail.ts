import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { UnitSystem } from '@levamen/core/base';
import { type Leg, systemFacts } from '@levamen/core/electric';
import {
  type Device,
  type DeviceKind,
  deviceKinds,
  type FedFrom,
  maxDevices,
  type Panel,
  type PanelLayout,
  panelLayouts,
  panelSchema,
  wouldLoop,
} from '@levamen/core/house';
import type { Plan } from '@levamen/core/design';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { AmountField } from '../../ui/amount-field';
import { ChoiceField, type Choice } from '../../ui/choice-field';
import { TextField } from '../../ui/text-field';
import { ConductorFields } from './conductor-fields';
import { PanelEdits } from './panel-edits';

const layoutLabels: Readonly<Record<PanelLayout, string>> = {
  'odd-even': 'Odd left, even right',
  'down-columns': 'Down one column, then the other',
  'one-row': 'One row',
};
const deviceLabels: Readonly<Record<DeviceKind, string>> = {
  'transfer-switch': 'Transfer switch',
  'generator-inlet': 'Generator inlet',
  'existing-solar': 'Existing solar',
  'car-charging': 'Car charging',
  storage: 'Storage',
  other: 'Other',
};
const feeds = (from: FedFrom): string => JSON.stringify(from);

/** Everything about a panel that its ladder does not show. */
@Component({
  selector: 'lv-panel-detail',
  imports: [AmountField, Button, Checkbox, ChoiceField, ConductorFields, FormsModule, TextField],
  templateUrl: './panel-detail.html',
  styleUrl: './detail.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PanelDetail {
  private readonly edits = inject(PanelEdits);
  readonly plan = input.required<Plan>();
  readonly panel = input.required<Panel>();
  readonly units = input.required<UnitSystem>();
  readonly removed = output();

  protected readonly shape = panelSchema.shape;
  protected readonly mostDevices = maxDevices;
  protected readonly feederShape = panelSchema.shape.feeder.shape;
  protected readonly deviceLabels = deviceLabels;
  protected readonly source = computed(() => feeds(this.panel().fedFrom));
  protected readonly sourceChoices = computed((): Choice<string>[] => {
    const { survey } = this.plan();
    const { id } = this.panel();
    const choices: { label: string; from: FedFrom }[] = [
      ...survey.services.map((service) => ({
        label: service.name,
        from: { kind: 'service' as const, serviceId: service.id },
      })),
      ...survey.panels
        .filter((panel) => panel.id !== id)
        .flatMap((panel) => [
          ...panel.circuits
            .filter(({ use }) => use === 'circuit')
            .map((circuit) => ({
              label: `${panel.name} ${circuit.spaces.join(', ')} · ${circuit.name || 'not named'}`,
              from: { kind: 'circuit' as const, circuitId: circuit.id },
            })),
          { label: `Feed-through lugs of ${panel.name}`, from: { kind: 'lugs' as const, panelId: panel.id } },
        ]),
      { label: 'Not known', from: { kind: 'unknown' as const } },
    ];
    return choices
      .filter(({ from }) => !wouldLoop(survey, id, from))
      .map(({ label, from }) => ({ label, value: feeds(from) }));
  });
  protected readonly layoutChoices: Choice<PanelLayout>[] = panelLayouts.map((value) => ({
    value,
    label: layoutLabels[value],
  }));
  protected readonly legChoices = computed((): Choice<Leg>[] =>
    systemFacts[this.plan().supply.system].legs.map((value) => ({ value, label: value })),
  );
  protected readonly bondChoices: Choice<string>[] = [
    { value: 'unknown', label: 'Not looked at yet' },
    { value: 'yes', label: 'Bonded here' },
    { value: 'no', label: 'Separate' },
  ];
  protected readonly bond = computed(() => {
    const { bonded } = this.panel();
    return bonded === null ? 'unknown' : bonded ? 'yes' : 'no';
  });
  protected readonly deviceChoices: Choice<DeviceKind>[] = deviceKinds.map((value) => ({
    value,
    label: deviceLabels[value],
  }));

  protected set(change: Partial<Panel>): void {
    this.edits.changePanel(this.panel().id, change, this.panel().name);
  }

  protected setSource(source: string | null): void {
    if (source !== null) this.set({ fedFrom: JSON.parse(source) as FedFrom });
  }

  protected setBond(said: string | null): void {
    this.set({ bonded: said === 'yes' ? true : said === 'no' ? false : null });
  }

  protected setFeeder(change: Partial<Panel['feeder']>): void {
    this.set({ feeder: { ...this.panel().feeder, ...change } });
  }

  protected addDevice(): void {
    const device: Device = {
      id: crypto.randomUUID(),
      kind: 'transfer-switch',
      ratingA: null,
      ownMeter: false,
      note: '',
    };
    this.set({ between: [...this.panel().between, device] });
  }

  protected setDevice(id: string, change: Partial<Device>): void {
    this.set({
      between: this.panel().between.map((device) => (device.id === id ? { ...device, ...change } : device)),
    });
  }

  protected removeDevice(id: string): void {
    this.set({ between: this.panel().between.filter((device) => device.id !== id) });
  }
}
