import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Finding, UnitSystem } from '@levamen/core/base';
import { panelUpstream, type Service } from '@levamen/core/house';
import {
  type BondPlace,
  bondPlaces,
  type IsolatingDevice,
  isolatingDevices,
  type Plan,
  type School,
  schoolFacts,
  schools,
  serviceBackup,
  splicedPanelId,
  type ServiceBackup,
  serviceBackupSchema,
} from '@levamen/core/design';

import { Checkbox } from 'primeng/checkbox';
import { AmountField } from '../../ui/amount-field';
import { ChoiceField, type Choice } from '../../ui/choice-field';
import { FindingsList } from '../../ui/findings-list';
import { BackupEdits } from './backup-edits';

const deviceWords: Readonly<Record<IsolatingDevice, string>> = {
  contactor: 'Contactor',
  'transfer-switch': 'Transfer switch',
  'at-meter': 'Device at the meter',
  'pass-through': 'Pass-through of the inverter',
};
const bondWords: Readonly<Record<BondPlace, string>> = {
  service: 'At the service, as before',
  'isolating-device': 'In the isolating device',
  inverter: 'In the inverter',
};
const yesNo: readonly Choice<boolean>[] = [
  { label: 'Yes', value: true },
  { label: 'No', value: false },
];

/** How one service is backed up, and what that requires. */
@Component({
  selector: 'lv-wiring-detail',
  imports: [AmountField, Checkbox, ChoiceField, FindingsList, FormsModule],
  template: `
    <h3>{{ service().name }}</h3>
    <lv-choice-field
      label="How it is backed up"
      [choices]="schoolChoices"
      [value]="said().school"
      (valueChange)="set({ school: $event })"
    />
    @if (facts(); as facts) {
      <p class="small">{{ facts.how }}</p>
      <p class="small soft"><b>For:</b> {{ facts.good }} <b>Against:</b> {{ facts.bad }}</p>
    }
    @if (said().school !== null && said().school !== 'none') {
      <div class="pair">
        <lv-choice-field
          label="Isolating device"
          [choices]="deviceChoices"
          [value]="said().isolatingDevice"
          (valueChange)="set({ isolatingDevice: $event })"
        />
        <lv-amount-field
          label="Its rating"
          unit="A"
          [optional]="true"
          [schema]="shape.isolatingRatingA"
          [value]="said().isolatingRatingA"
          (valueChange)="set({ isolatingRatingA: $event })"
        />
        <lv-choice-field
          label="Neutral bonded while islanded"
          [choices]="bondChoices"
          [value]="said().bondWhileIslanded"
          (valueChange)="set({ bondWhileIslanded: $event })"
        />
        @if (said().isolatingDevice === 'at-meter') {
          <lv-choice-field
            label="Utility consents"
            [choices]="yesNo"
            [value]="said().utilityConsent"
            (valueChange)="set({ utilityConsent: $event })"
          />
        }
        @if (said().school === 'loads-panel') {
          <lv-amount-field
            label="Spaces of the new panel"
            unit="count"
            [optional]="true"
            [schema]="shape.newPanelSpaces"
            [value]="said().newPanelSpaces"
            (valueChange)="set({ newPanelSpaces: $event })"
          />
          <lv-amount-field
            label="From old panel to new"
            unit="m"
            [system]="units()"
            [optional]="true"
            [schema]="shape.newPanelDistanceM"
            [value]="said().newPanelDistanceM"
            (valueChange)="set({ newPanelDistanceM: $event })"
          />
        }
        @if (said().school === 'feeder') {
          <lv-choice-field
            label="Sub-panel that is spliced"
            [choices]="subPanels()"
            [value]="spliced()"
            (valueChange)="set({ isolation: { at: 'feeder', panelId: $event } })"
          />
        }
        @if (said().school === 'controlled') {
          <lv-amount-field
            label="Circuits it can control"
            unit="count"
            [optional]="true"
            [schema]="shape.controlledCircuits"
            [value]="said().controlledCircuits"
            (valueChange)="set({ controlledCircuits: $event })"
          />
        }
        @if (isolations().length > 1) {
          <lv-choice-field
            label="Point of isolation"
            [choices]="isolations()"
            [value]="isolatedMain()"
            (valueChange)="isolateAt($event)"
          />
        }
        @if (hosts().length > 1) {
          <lv-choice-field
            label="Source"
            [choices]="hosts()"
            [value]="host()"
            (valueChange)="edits.join(service().id, $event)"
          />
        }
      </div>
      <p class="row small">
        <p-checkbox
          [inputId]="'automatic-' + service().id"
          [binary]="true"
          [ngModel]="said().automaticTransfer"
          (ngModelChange)="set({ automaticTransfer: $event })"
        /><label [for]="'automatic-' + service().id">transfers by itself</label>
      </p>
    }
    <lv-findings-list heading="What it requires" [findings]="requirements()" />
    <p class="small soft">
      Local code, the utility and a licensed electrician’s judgement stand above this. Everything ahead of the
      main stays live.
    </p>
  `,
  styleUrl: './side.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WiringDetail {
  protected readonly edits = inject(BackupEdits);
  readonly plan = input.required<Plan>();
  readonly service = input.required<Service>();
  readonly requirements = input.required<readonly Finding[]>();
  readonly units = input.required<UnitSystem>();

  protected readonly shape = serviceBackupSchema.shape;
  protected readonly yesNo = yesNo;
  protected readonly schoolChoices: Choice<School>[] = schools.map((value) => ({
    value,
    label: schoolFacts[value].label,
  }));
  protected readonly deviceChoices: Choice<IsolatingDevice>[] = isolatingDevices.map((value) => ({
    value,
    label: deviceWords[value],
  }));
  protected readonly bondChoices: Choice<BondPlace>[] = bondPlaces.map((value) => ({
    value,
    label: bondWords[value],
  }));
  protected readonly said = computed(() => serviceBackup(this.plan(), this.service().id));
  protected readonly facts = computed(() => {
    const { school } = this.said();
    return school === null ? null : schoolFacts[school];
  });
  protected readonly subPanels = computed(() =>
    this.plan()
      .survey.panels.filter(
        (panel) =>
          panel.fedFrom.kind !== 'service' &&
          panelUpstream(this.plan().survey, panel).service?.id === this.service().id,
      )
      .map(({ id, name }): Choice<string> => ({ value: id, label: name })),
  );
  /** The first service of each island. */
  private readonly firstOfIslands = computed(() => {
    const seen = new Set<string>();
    return this.plan().survey.services.filter(({ id }) => {
      const { islandId } = serviceBackup(this.plan(), id);
      const isFirst = !seen.has(islandId);
      seen.add(islandId);
      return isFirst;
    });
  });
  /** Its own source, or that of another service which has one. */
  protected readonly hosts = computed((): Choice<string | null>[] => [
    { value: null, label: 'A source of its own' },
    ...this.firstOfIslands()
      .filter(({ id }) => id !== this.service().id)
      .map(({ id, name }) => ({ value: id, label: `Shares that of ${name}` })),
  ]);
  /** The service whose source it shares; null = it is the first on its own. */
  protected readonly host = computed(() => {
    const { islandId } = this.said();
    const first = this.firstOfIslands().find(
      ({ id }) => serviceBackup(this.plan(), id).islandId === islandId,
    );
    return first && first.id !== this.service().id ? first.id : null;
  });
  protected readonly spliced = computed(() => splicedPanelId(this.said()));

  /** The service as a whole, or one of several mains behind its meter. */
  protected readonly isolations = computed((): Choice<string | null>[] => {
    const mains = this.plan().survey.panels.filter(
      ({ fedFrom }) => fedFrom.kind === 'service' && fedFrom.serviceId === this.service().id,
    );
    if (this.said().school === 'feeder' || mains.length < 2) return [];
    return [
      { value: null, label: 'The whole service' },
      ...mains.map(({ id, name }) => ({ value: id, label: `The main of ${name} only` })),
    ];
  });
  protected readonly isolatedMain = computed(() => {
    const { isolation } = this.said();
    return isolation.at === 'main' ? isolation.panelId : null;
  });

  protected isolateAt(panelId: string | null): void {
    this.set({ isolation: panelId === null ? { at: 'service' } : { at: 'main', panelId } });
  }

  protected set(change: Partial<ServiceBackup>): void {
    this.edits.service(this.service().id, change);
  }
}
