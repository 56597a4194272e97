import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { type Service, serviceSchema } from '@levamen/core/house';
import { Button } from 'primeng/button';
import { AmountField } from '../../ui/amount-field';
import { TextField } from '../../ui/text-field';
import { PanelEdits } from './panel-edits';

/** A service: its rating, meter, tariff, and the breaker ahead of every panel where there is one. */
@Component({
  selector: 'lv-service-detail',
  imports: [AmountField, Button, TextField],
  template: `
    <h3>Service</h3>
    <lv-text-field
      label="Name"
      [schema]="shape.name"
      [value]="service().name"
      (valueChange)="set({ name: $event })"
    />
    <div class="pair">
      <lv-amount-field
        label="Rating"
        unit="A"
        [optional]="true"
        [schema]="shape.ratingA"
        [value]="service().ratingA"
        (valueChange)="set({ ratingA: $event })"
      />
      <lv-amount-field
        label="Breaker ahead of the panels"
        unit="A"
        hint="empty: none; each panel has its own main"
        [optional]="true"
        [schema]="shape.mainBreakerA"
        [value]="service().mainBreakerA"
        (valueChange)="set({ mainBreakerA: $event })"
      />
      <lv-amount-field
        label="Available fault current"
        unit="A"
        hint="ask the utility"
        [optional]="true"
        [schema]="shape.faultCurrentA"
        [value]="service().faultCurrentA"
        (valueChange)="set({ faultCurrentA: $event })"
      />
      <lv-text-field
        label="Meter"
        [schema]="shape.meter"
        [value]="service().meter"
        (valueChange)="set({ meter: $event })"
      />
      <lv-text-field
        label="Tariff"
        [schema]="shape.tariff"
        [value]="service().tariff"
        (valueChange)="set({ tariff: $event })"
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
  `,
  styleUrl: './detail.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ServiceDetail {
  private readonly edits = inject(PanelEdits);
  readonly service = input.required<Service>();
  readonly removed = output();
  protected readonly shape = serviceSchema.shape;

  protected set(change: Partial<Service>): void {
    this.edits.changeService(this.service().id, change);
  }

  protected addPanel(): void {
    this.edits.addPanel({ kind: 'service', serviceId: this.service().id });
  }

  protected remove(): void {
    this.edits.removeService(this.service().id);
    this.removed.emit();
  }
}
