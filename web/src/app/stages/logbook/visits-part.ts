import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Button } from 'primeng/button';
import { LogbookState } from './logbook-state';
import { VisitEntry } from './visit-entry';

/** Who was there, when, what was found, and what is otherwise since then. */
@Component({
  selector: 'lv-visits-part',
  imports: [Button, VisitEntry],
  template: `
    <div class="part">
      <p class="small soft">
        {{ says() }} Firmware and replaced units change what stands under “As built”, from the day of the
        visit on.
      </p>
      <p-button label="A visit" icon="pi pi-plus" size="small" [outlined]="true" (onClick)="add()" />
      @for (visit of visits(); track visit.id) {
        <lv-visit-entry [visitId]="visit.id" />
      }
    </div>
  `,
  styleUrl: './cards.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VisitsPart {
  private readonly state = inject(LogbookState);

  /** The last one first. */
  protected readonly visits = computed(() =>
    this.state.logbook().visits.toSorted((a, b) => b.on.localeCompare(a.on)),
  );
  protected readonly says = computed(() => {
    const count = this.visits().length;
    return count === 0 ? 'No visit is written down.' : count === 1 ? 'One visit.' : `${count} visits.`;
  });

  protected add(): void {
    this.state.change('visit', ({ visits }) => ({
      visits: [
        ...visits,
        {
          id: crypto.randomUUID(),
          on: this.state.today(),
          by: this.state.who(),
          kind: 'service' as const,
          text: '',
          changes: [],
        },
      ],
    }));
  }
}
