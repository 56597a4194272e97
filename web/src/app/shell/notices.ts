import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { LeftDraft } from '../data/draft-store';
import { EquipmentChange } from '../data/equipment-change';
import { JobSession } from '../data/job-session';
import { downloadJson } from '../ui/download';

const maxNamed = 3;

/** What the user should know about where edits went: taken up again, taken in from others, left over on this device, refused. */
@Component({
  selector: 'lv-notices',
  imports: [DatePipe],
  template: `
    @if (session.refusal() !== '') {
      <p class="refused" role="alert">
        <i class="pi pi-times-circle" aria-hidden="true"></i> That was not taken: {{ session.refusal() }}.
        <button type="button" (click)="session.refusal.set('')">Dismiss</button>
      </p>
    }
    @if (session.restored()) {
      <p role="status">
        <i class="pi pi-history" aria-hidden="true"></i> Edits that had not reached the server were taken up
        again. Undo takes them back one by one.
        <button type="button" (click)="session.restored.set(false)">Dismiss</button>
      </p>
    }
    @if (session.takenIn(); as taking) {
      <p role="status">
        <i class="pi pi-users" aria-hidden="true"></i> {{ takenText() }}
        <button type="button" (click)="session.leaveOut(taking)">Take that back</button>
        <button type="button" (click)="session.takenIn.set(null)">Dismiss</button>
      </p>
    }
    @if (equipment.changed(); as change) {
      <p class="equipment" aria-live="polite">
        <i class="pi pi-arrow-right-arrow-left" aria-hidden="true"></i> Equipment changed:
        {{ change.from.name }} → {{ change.to.name }}; no units are chosen, and that is now what is suggested.
        <button type="button" (click)="equipment.keep(change)">Keep {{ change.from.name }}</button>
        @if (session.undoLabel(); as label) {
          <button type="button" (click)="session.undo()">Take back: {{ label }}</button>
        }
        <button type="button" (click)="equipment.changed.set(null)">Dismiss</button>
      </p>
    }
    @for (left of session.leftDrafts(); track left.tab) {
      <p role="status">
        <i class="pi pi-inbox" aria-hidden="true"></i>
        @if (left.draft) {
          Edits of another window of {{ left.savedAt | date: 'd MMM y, HH:mm' }} are kept on this device and
          are not in this job.
          <button type="button" (click)="session.takeUp(left)">Take them up</button>
        } @else {
          Edits are kept on this device that this version cannot read.
        }
        <button type="button" (click)="download(left)">Download</button>
        <button type="button" (click)="session.discard(left)">Remove</button>
      </p>
    }
  `,
  styles: `
    p {
      padding: 0.35rem 0.9rem;
      background: var(--accent-wash);
      font-size: 0.9rem;
    }
    .refused {
      color: var(--fails);
      font-weight: 600;
    }
    button {
      border: 0;
      background: none;
      color: var(--accent);
      text-decoration: underline;
      cursor: pointer;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Notices {
  protected readonly session = inject(JobSession);
  protected readonly equipment = inject(EquipmentChange);
  protected readonly takenText = computed(() => {
    const taking = this.session.takenIn();
    if (!taking) return '';
    const { actor, device } = taking.theirs;
    const who = [actor === '' ? 'Somebody else' : actor, device === '' ? '' : ` on ${device}`].join('');
    const labels = taking.taken.map(({ label }) => label);
    const more = labels.length > maxNamed ? ` and ${labels.length - maxNamed} more` : '';
    return labels.length === 0
      ? `${who} saved the same meanwhile.`
      : `${who} changed meanwhile, and it was taken in: ${labels.slice(0, maxNamed).join('; ')}${more}.`;
  });

  protected download(left: LeftDraft): void {
    downloadJson(
      left.raw,
      `levamen-draft-${new Date(left.savedAt).toISOString().slice(0, 16).replace(':', '-')}.json`,
    );
  }
}
