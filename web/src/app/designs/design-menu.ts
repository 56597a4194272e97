import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { JobSession } from '../data/job-session';

/** Which design is looked at: always in sight, since every edit of the backup set, sources and units is its. */
@Component({
  selector: 'lv-design-menu',
  imports: [RouterLink],
  template: `
    @if (listed().length > 1) {
      <label class="visually-hidden" for="design-looked-at">Design that is looked at</label>
      <select id="design-looked-at" #choice (change)="session.lookAt(choice.value)">
        @for (design of listed(); track design.id) {
          <option [value]="design.id" [selected]="design.isLookedAt">{{ design.label }}</option>
        }
      </select>
    }
    <a routerLink="designs" [attr.aria-label]="'Designs of this job: ' + listed().length">
      <i class="pi pi-clone" aria-hidden="true"></i> {{ listed().length === 1 ? 'Designs' : listed().length }}
    </a>
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 0.4rem;
      min-width: 0;
    }
    select {
      max-width: 15rem;
      min-height: 1.9rem;
      padding: 0.15rem 0.4rem;
      border: 1px solid var(--rule-strong);
      border-radius: 3px;
      background: var(--sheet-raised);
      font-size: 0.9rem;
    }
    @media (max-width: 1100px) {
      select {
        max-width: 8rem;
      }
    }
    a {
      text-decoration: none;
      font-size: 0.875rem;
      font-weight: 500;
      padding: 0.35rem 0.4rem;
      white-space: nowrap;
    }
    a:hover {
      background: var(--accent-wash);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DesignMenu {
  protected readonly session = inject(JobSession);
  protected readonly listed = computed(() => {
    const job = this.session.job();
    const lookedAt = this.session.designId();
    return (job?.designs ?? []).map(({ id, name }) => ({
      id,
      label: id === job!.chosenDesignId ? `${name} (chosen)` : name,
      isLookedAt: id === lookedAt,
    }));
  });
}
