import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Button } from 'primeng/button';
import { FindingDetails } from '../../ui/finding-details';
import { InWordsOf } from '../../ui/in-words-of';
import { PLACE_LOCALE } from '../../ui/place-locale';
import { PlacementState } from './placement-state';

/** What breaks a rule or is to be considered, numbered as on the elevation. */
@Component({
  selector: 'lv-placement-findings',
  imports: [Button, FindingDetails, InWordsOf],
  template: `
    <section class="sheet" aria-labelledby="placement-findings-heading">
      <h2 id="placement-findings-heading">Findings</h2>
      <ol>
        @for (finding of state.findings(); track finding.key) {
          <li>
            <span class="number figure" aria-hidden="true">{{ $index + 1 }}</span>
            <div>
              <lv-finding-details [finding]="finding" />
              @if (finding.about !== '') {
                <p-button
                  size="small"
                  [text]="true"
                  label="Show"
                  [ariaLabel]="'Show: ' + (finding.title | inWordsOf: locale())"
                  (onClick)="state.show(finding.about)"
                />
              }
            </div>
          </li>
        } @empty {
          <li class="soft">Nothing to say.</li>
        }
      </ol>
    </section>
  `,
  styles: `
    .sheet {
      padding: 0.8rem 0.95rem;
    }
    ol {
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: auto minmax(0, 1fr);
      gap: 0.5rem;
      border-bottom: 1px solid var(--rule);
      padding: 0.35rem 0;
    }
    .number {
      font-weight: 700;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlacementFindings {
  protected readonly state = inject(PlacementState);
  protected readonly locale = inject(PLACE_LOCALE);
}
