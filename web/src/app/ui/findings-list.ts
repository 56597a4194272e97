import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Finding } from '@levamen/core/base';
import { FindingDetails } from './finding-details';

/** What the checks found: how bad, because of what, and what would cure it. */
@Component({
  selector: 'lv-findings-list',
  imports: [FindingDetails],
  template: `
    <h2>{{ heading() }}</h2>
    <ul>
      @for (finding of findings(); track finding.key) {
        <li>
          <lv-finding-details [finding]="finding" />
        </li>
      } @empty {
        <li class="soft">Nothing to say.</li>
      }
    </ul>
  `,
  styles: `
    ul {
      list-style: none;
    }
    li {
      border-bottom: 1px solid var(--rule);
      padding: 0.3rem 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindingsList {
  readonly heading = input('Findings');
  readonly findings = input.required<readonly Finding[]>();
}
