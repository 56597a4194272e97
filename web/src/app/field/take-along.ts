import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Button } from 'primeng/button';
import { Road } from './road';

/** Takes a job along on this device, to be worked on without a network. */
@Component({
  selector: 'lv-take-along',
  imports: [Button],
  template: `
    @if (road.isPossible) {
      @if (part(); as text) {
        <span class="small figure" role="status" [attr.aria-label]="'Fetching ' + name()">{{ text }}</span>
      } @else if (!isTaken()) {
        <p-button
          icon="pi pi-tablet"
          [text]="true"
          size="small"
          [ariaLabel]="'Take ' + name() + ' along on this device'"
          (onClick)="road.take(jobId())"
        />
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TakeAlong {
  protected readonly road = inject(Road);
  readonly jobId = input.required<string>();
  readonly name = input.required<string>();
  protected readonly isTaken = computed(() => this.road.isTaken(this.jobId()));
  protected readonly part = computed(() => {
    const taking = this.road.taking();
    return taking?.jobId === this.jobId() ? `${Math.round(100 * taking.part)} %` : '';
  });
}
