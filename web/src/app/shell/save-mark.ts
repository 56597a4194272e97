import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { JobSession } from '../data/job-session';
import type { SaveStatus } from '../data/job-saver';

const marks: Readonly<Record<SaveStatus, { readonly word: string; readonly icon: string }>> = {
  saved: { word: 'saved', icon: 'pi pi-check' },
  unsaved: { word: 'not saved yet', icon: 'pi pi-pencil' },
  saving: { word: 'saving', icon: 'pi pi-sync' },
  retrying: { word: 'server not reachable, kept on this device', icon: 'pi pi-wifi' },
  conflict: { word: 'changed elsewhere', icon: 'pi pi-exclamation-triangle' },
  refused: { word: 'not accepted', icon: 'pi pi-times-circle' },
  failing: { word: 'not saved', icon: 'pi pi-times-circle' },
};

/** Neither on the server nor on the device. */
const notKept = {
  word: 'server not reachable, and this device keeps nothing: leave this page open',
  icon: 'pi pi-exclamation-triangle',
};

/** Where the last edit is: saved, on its way, or kept on this device. */
@Component({
  selector: 'lv-save-mark',
  template: `
    <span role="status" [class]="session.status()">
      <i [class]="mark().icon" aria-hidden="true"></i> <span class="word">{{ mark().word }}</span>
      @if (session.message() !== '' && session.status() !== 'retrying') {
        <span class="message">{{ session.message() }}</span>
      }
      @if (session.status() === 'failing' || session.status() === 'refused') {
        <button type="button" (click)="again()">Try again</button>
      }
    </span>
  `,
  styles: `
    span[role='status'] {
      font-size: 0.85rem;
      color: var(--ink-soft);
    }
    .retrying,
    .conflict {
      color: var(--tight) !important;
      font-weight: 600;
    }
    .refused,
    .failing {
      color: var(--fails) !important;
      font-weight: 600;
    }
    button {
      border: 0;
      background: none;
      color: var(--accent);
      text-decoration: underline;
      cursor: pointer;
    }
    i {
      font-size: 0.8rem;
      margin-inline-end: 0.15rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SaveMark {
  protected readonly session = inject(JobSession);
  protected readonly mark = computed(() => {
    const status = this.session.status();
    return status === 'retrying' && !this.session.isKept() ? notKept : marks[status];
  });

  protected again(): void {
    void this.session.saveNow();
  }
}
