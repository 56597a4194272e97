import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, resource } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { PhotoSender } from '../photos/photo-sender';
import { deviceRows } from './device-rows';
import { Road } from './road';
import { bytesText, leastFreeBytes, storageRoom } from './storage-room';
import { WaitingEdits } from './waiting-edits';

/** What this device has of which job: taken along, or waiting to be sent. */
@Component({
  selector: 'lv-on-this-device',
  imports: [Button, DatePipe, RouterLink],
  template: `
    @if (road.problem() !== '') {
      <p class="problem" role="alert">
        <i class="pi pi-times-circle" aria-hidden="true"></i> {{ road.problem() }}
      </p>
    }
    @if (rows().length > 0) {
      <section aria-labelledby="device-heading">
        <h3 id="device-heading">On this device</h3>
        <ul>
          @for (row of rows(); track row.jobId) {
            <li>
              <a [routerLink]="['/jobs', row.jobId]">{{ row.name }}</a>
              @if (row.waits !== '') {
                <span class="waits" [class.stuck]="row.isStuck" role="status">
                  <i
                    [class]="row.isStuck ? 'pi pi-exclamation-triangle' : 'pi pi-upload'"
                    aria-hidden="true"
                  ></i>
                  {{ row.waits }}
                </span>
              }
              @if (road.taking()?.jobId === row.jobId) {
                <span class="small" role="status">being fetched</span>
              } @else if (row.taken; as taken) {
                <span class="small soft"
                  >taken along, {{ taken.sizeText }}, as of {{ taken.at | date: 'd MMM, HH:mm' }}</span
                >
                <p-button
                  icon="pi pi-refresh"
                  size="small"
                  [text]="true"
                  [ariaLabel]="'Bring ' + row.name + ' on this device up to date'"
                  (onClick)="road.take(row.jobId)"
                />
                <p-button
                  label="Leave here"
                  size="small"
                  [text]="true"
                  [ariaLabel]="'Leave ' + row.name + ' here: remove it from this device'"
                  (onClick)="road.leave(row.jobId)"
                />
              }
            </li>
          }
        </ul>
        @if (roomText() !== '') {
          <p class="small" [class.soft]="!isShort()" [class.problem]="isShort()">{{ roomText() }}</p>
        }
      </section>
    }
    @if (waiting.ofOthers() > 0) {
      <p class="small soft">
        Edits of somebody else wait on this device, in
        {{ waiting.ofOthers() === 1 ? 'one job' : waiting.ofOthers() + ' jobs' }}: they are sent once he signs
        in here.
      </p>
    }
  `,
  styles: `
    section {
      border: 1px solid var(--rule-strong);
      padding: 0.5rem 0.8rem;
      margin-bottom: 0.9rem;
      background: var(--accent-wash);
    }
    h3 {
      font-size: 0.9rem;
    }
    ul {
      list-style: none;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.2rem 0.9rem;
    }
    .waits i {
      margin-inline-end: 0.2rem;
    }
    .waits {
      font-size: 0.87rem;
      font-weight: 600;
    }
    .stuck,
    .problem {
      color: var(--fails);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OnThisDevice {
  protected readonly road = inject(Road);
  protected readonly waiting = inject(WaitingEdits);
  private readonly photos = inject(PhotoSender);
  protected readonly rows = computed(() =>
    deviceRows(this.road.jobs(), this.waiting.jobs(), this.photos.waitingByJob()),
  );

  /** Looked at anew whenever something comes or goes. */
  private readonly room = resource({
    params: () => this.rows().length,
    loader: () => storageRoom(),
  });
  protected readonly isShort = computed(
    () => (this.room.value()?.freeBytes ?? Infinity) < 4 * leastFreeBytes,
  );
  protected readonly roomText = computed(() => {
    const room = this.room.value();
    if (!room) return '';
    const free = `Levamen keeps ${bytesText(room.usedBytes)} on this device, and ${bytesText(room.freeBytes)} are left for it.`;
    const short = this.isShort() ? ' That is little: leave jobs here that you do not need on the way.' : '';
    const lasting = room.isLasting
      ? ''
      : ' The browser may remove it when the device gets full: come back before long.';
    return free + short + lasting;
  });

  constructor() {
    this.waiting.lookNow();
  }
}
