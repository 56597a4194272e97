import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import type { WiringFinding } from '@levamen/core/wiring';
import { Button } from 'primeng/button';
import { FindingDetails } from '../../ui/finding-details';
import { InWordsOf } from '../../ui/in-words-of';
import { PLACE_LOCALE } from '../../ui/place-locale';

/** What was found in the wiring; each can be shown where it is. */
@Component({
  selector: 'lv-wiring-findings',
  imports: [Button, FindingDetails, InWordsOf],
  template: `
    <section class="sheet" aria-labelledby="wiring-findings-heading">
      <h2 id="wiring-findings-heading">Findings</h2>
      <ul>
        @for (finding of findings(); track finding.key) {
          <li>
            <lv-finding-details [finding]="finding" />
            <p-button
              size="small"
              [text]="true"
              [label]="finding.example ? 'Show on the drawing' : 'Show its working'"
              [ariaLabel]="
                (finding.example ? 'Show on the drawing: ' : 'Show its working: ') +
                (finding.title | inWordsOf: locale())
              "
              (onClick)="chosen.emit(finding)"
            />
          </li>
        } @empty {
          <li class="soft">Nothing to say.</li>
        }
      </ul>
    </section>
  `,
  styles: `
    .sheet {
      padding: 0.8rem 0.95rem;
    }
    ul {
      list-style: none;
    }
    li {
      border-bottom: 1px solid var(--rule);
      padding: 0.35rem 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WiringFindings {
  readonly findings = input.required<readonly WiringFinding[]>();
  readonly chosen = output<WiringFinding>();
  protected readonly locale = inject(PLACE_LOCALE);
}
