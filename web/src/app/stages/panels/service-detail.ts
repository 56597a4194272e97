import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { type Service, serviceSchema } from '@levamen/core/house';
import { Button } from 'primeng/button';
import { JobSession } from '../../data/job-session';
import { ChoiceField } from '../../ui/choice-field';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { tariffChoices } from '../../ui/tariff-choices';
import { PhotoStrip } from '../../photos/photo-strip';
import { PanelEdits } from './panel-edits';

/** A service: its rating, meter, tariff, and the breaker ahead of every panel where there is one. */
@Component({
  selector: 'lv-service-detail',
  imports: [Button, ChoiceField, FormField, PhotoStrip],
  template: `
    <h3>Service</h3>
    <lv-form-field [of]="form" name="name" />
    <div class="pair">
      <lv-form-field [of]="form" name="ratingA" />
      <lv-form-field [of]="form" name="mainBreakerA" />
      <lv-form-field [of]="form" name="faultCurrentA" />
      <lv-form-field [of]="form" name="meter" />
      <lv-choice-field
        label="Tariff"
        hint="entered in Usage, Tariffs"
        [choices]="tariffs()"
        [value]="service().tariffId"
        (valueChange)="setTariff($event)"
      />
    </div>
    <p class="small soft">
      Two mains behind one meter: enter one service with its rating, and two panels fed from it, each with its
      own main breaker. Everything ahead of a main stays live when it is open.
    </p>
    <p>
      <p-button
        label="Panel behind this service"
        icon="pi pi-plus"
        size="small"
        [outlined]="true"
        (onClick)="addPanel()"
      />
      <p-button
        label="Remove the service"
        size="small"
        severity="secondary"
        [text]="true"
        (onClick)="remove()"
      />
    </p>
    <lv-photo-strip [aboutId]="service().id" subject="meter" [of]="service().name" />
  `,
  styleUrl: './detail.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ServiceDetail {
  private readonly edits = inject(PanelEdits);
  private readonly session = inject(JobSession);
  readonly service = input.required<Service>();
  readonly removed = output();
  protected readonly tariffs = computed(() => tariffChoices(this.session.plan()?.tariffs ?? []));
  protected readonly form = formOf<Service>(serviceSchema.shape, this.service, (change) =>
    this.edits.changeService(this.service().id, change),
  );

  protected setTariff(tariffId: string | null): void {
    this.edits.changeService(this.service().id, { tariffId });
  }

  protected addPanel(): void {
    this.edits.addPanel({ kind: 'service', serviceId: this.service().id });
  }

  protected remove(): void {
    this.edits.removeService(this.service().id);
    this.removed.emit();
  }
}
