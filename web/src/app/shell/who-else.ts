import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { LiveJob } from '../field/live-job';

const maxNamed = 2;

/** Who else has this job open now. */
@Component({
  selector: 'lv-who-else',
  template: `
    @if (text() !== '') {
      <span role="status" [title]="all()"
        ><i class="pi pi-users" aria-hidden="true"></i> <span class="word">{{ text() }}</span></span
      >
    }
  `,
  styles: `
    span[role='status'] {
      font-size: 0.85rem;
      color: var(--accent);
      white-space: nowrap;
    }
    i {
      margin-inline-end: 0.25rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhoElse {
  private readonly live = inject(LiveJob);
  private readonly names = computed(() =>
    this.live.others().map(({ actor, device }) => (actor === '' ? device || 'another window' : actor)),
  );
  protected readonly all = computed(() =>
    this.live
      .others()
      .map(({ actor, device }) => [actor, device].filter((one) => one !== '').join(', '))
      .join('; '),
  );
  protected readonly text = computed(() => {
    const names = [...new Set(this.names())];
    if (names.length === 0) return '';
    const more = names.length > maxNamed ? ` and ${names.length - maxNamed} more` : '';
    return `also here: ${names.slice(0, maxNamed).join(', ')}${more}`;
  });
}
