import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { UnitSystem } from '@levamen/core/base';
import { type Leg, systemFacts } from '@levamen/core/electric';
import {
  type Device,
  type FedFrom,
  maxDevices,
  type Panel,
  panelSchema,
  wouldLoop,
} from '@levamen/core/house';
import type { Plan } from '@levamen/core/design';
import { Button } from 'primeng/button';
import { ChoiceField, type Choice } from '../../ui/choice-field';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { PhotoStrip } from '../../photos/photo-strip';
import { ConductorFields } from './conductor-fields';
import { DeviceFields } from './device-fields';
import { PanelEdits } from './panel-edits';

const feeds = (from: FedFrom): string => JSON.stringify(from);

/** Everything about a panel that its ladder does not show. */
@Component({
  selector: 'lv-panel-detail',
  imports: [Button, ChoiceField, ConductorFields, DeviceFields, FormField, PhotoStrip],
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

  protected readonly mostDevices = maxDevices;
  protected readonly form = formOf<Panel>(panelSchema.shape, this.panel, (change) => this.set(change));
  protected readonly feeder = formOf<Panel['feeder']>(
    panelSchema.shape.feeder.shape,
    computed(() => this.panel().feeder),
    (change) => this.setFeeder(change),
    { units: this.units },
  );
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
  protected readonly legChoices = computed((): Choice<Leg>[] =>
    systemFacts[this.plan().supply.system].legs.map((value) => ({ value, label: value })),
  );

  protected set(change: Partial<Panel>): void {
    this.edits.changePanel(this.panel().id, change, this.panel().name);
  }

  protected setSource(source: string | null): void {
    if (source !== null) this.set({ fedFrom: JSON.parse(source) as FedFrom });
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
      place: '',
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
