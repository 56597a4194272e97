import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Finding, UnitSystem } from '@levamen/core/base';
import { panelUpstream, type Service } from '@levamen/core/house';
import {
  hostOf,
  isolatedPanelIds,
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
import { ChoiceField, type Choice } from '../../ui/choice-field';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { FindingsList } from '../../ui/findings-list';
import { BackupEdits } from './backup-edits';

/** Stands in the list of points for all the mains. */
const eachMain = '*';

/** How one service is backed up, and what that requires. */
@Component({
  selector: 'lv-wiring-detail',
  imports: [Checkbox, ChoiceField, FindingsList, FormField, FormsModule],
  template: `
    <h3>{{ service().name }}</h3>
    <lv-form-field [of]="form" name="school" [choices]="schoolChoices" />
    @if (facts(); as facts) {
      <p class="small">{{ facts.how }}</p>
      <p class="small soft"><b>For:</b> {{ facts.good }} <b>Against:</b> {{ facts.bad }}</p>
    }
    @if (said().school !== null && said().school !== 'none') {
      <div class="pair">
        <lv-form-field [of]="form" name="isolatingDevice" />
        <lv-form-field [of]="form" name="isolatingRatingA" />
        <lv-form-field [of]="form" name="bondWhileIslanded" />
        @if (said().isolatingDevice === 'at-meter') {
          <lv-form-field [of]="form" name="utilityConsent" />
        }
        @if (said().school === 'loads-panel') {
          <lv-form-field [of]="form" name="newPanelSpaces" />
          <lv-form-field [of]="form" name="newPanelDistanceM" />
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
          <lv-form-field [of]="form" name="controlledCircuits" />
        }
        @if (isolations().length > 1) {
          <lv-choice-field
            label="Point of isolation"
            [choices]="isolations()"
            [value]="isolatedMain()"
            (valueChange)="isolateAt($event)"
          />
        }
        @if (hosts().length > 1 && eachMains().length === 0) {
          <lv-choice-field
            label="Source"
            [choices]="hosts()"
            [value]="host()"
            (valueChange)="edits.join(service().id, $event)"
          />
        }
      </div>
      @for (main of eachMains(); track main.id) {
        <p class="row small">
          <p-checkbox
            [inputId]="'main-' + main.id"
            [binary]="true"
            [disabled]="main.last"
            [ngModel]="main.on"
            (ngModelChange)="backMain(main.id, $event)"
          /><label [for]="'main-' + main.id">{{ main.name }} is backed up, by a source of its own</label>
        </p>
      }
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

  protected readonly schoolChoices: Choice<School>[] = schools.map((value) => ({
    value,
    label: schoolFacts[value].label,
  }));
  protected readonly said = computed(() => serviceBackup(this.plan(), this.service().id));
  protected readonly form = formOf<ServiceBackup>(
    serviceBackupSchema.shape,
    this.said,
    (change) => this.set(change),
    { units: this.units },
  );
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
  /** Its own source, or that of another service which has one. */
  protected readonly hosts = computed((): Choice<string | null>[] => [
    { value: null, label: 'A source of its own' },
    ...this.plan()
      .survey.services.filter(({ id }) => id !== this.service().id && hostOf(this.plan(), id) === null)
      .map(({ id, name }) => ({ value: id, label: `Shares that of ${name}` })),
  ]);
  /** The service whose source it shares; null = it is the first on its own. */
  protected readonly host = computed(() => hostOf(this.plan(), this.service().id));
  protected readonly spliced = computed(() => splicedPanelId(this.said()));

  private readonly mains = computed(() =>
    this.plan().survey.panels.filter(
      ({ fedFrom }) => fedFrom.kind === 'service' && fedFrom.serviceId === this.service().id,
    ),
  );
  /** The service as a whole, one of several mains behind its meter, or each of them. */
  protected readonly isolations = computed((): Choice<string | null>[] => {
    if (this.said().school === 'feeder' || this.mains().length < 2) return [];
    return [
      { value: null, label: 'The whole service' },
      { value: eachMain, label: 'Each main, with a source of its own' },
      ...this.mains().map(({ id, name }) => ({ value: id, label: `The main of ${name} only` })),
    ];
  });
  protected readonly isolatedMain = computed(() => {
    const { isolation } = this.said();
    if (isolation.at === 'mains') return eachMain;
    return isolation.at === 'main' ? isolation.panelId : null;
  });
  /** Where mains are cut off one by one: each, and whether it is backed up. */
  protected readonly eachMains = computed(() => {
    const { isolation } = this.said();
    if (isolation.at !== 'mains') return [];
    const cut = isolatedPanelIds(isolation);
    return this.mains().map(({ id, name }) => ({
      id,
      name,
      on: cut.includes(id),
      last: cut.length === 1 && cut.includes(id),
    }));
  });

  protected isolateAt(panelId: string | null): void {
    if (panelId === eachMain)
      this.edits.mains(
        this.service().id,
        this.mains().map(({ id }) => id),
      );
    else this.set({ isolation: panelId === null ? { at: 'service' } : { at: 'main', panelId } });
  }

  protected backMain(panelId: string, on: boolean): void {
    const cut = isolatedPanelIds(this.said().isolation).filter((id) => id !== panelId);
    this.edits.mains(this.service().id, on ? [...cut, panelId] : cut);
  }

  protected set(change: Partial<ServiceBackup>): void {
    this.edits.service(this.service().id, change);
  }
}
