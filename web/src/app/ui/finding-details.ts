import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { Finding } from '@levamen/core/base';
import { InWordsOf } from './in-words-of';
import { PLACE_LOCALE } from './place-locale';
import { SeverityMark } from './severity-mark';

/** One finding: how bad, and opened, because of what and what would cure it. */
@Component({
  selector: 'lv-finding-details',
  imports: [InWordsOf, SeverityMark],
  template: `
    <details>
      <summary>
        <lv-severity-mark [severity]="finding().severity" />
        {{ finding().title | inWordsOf: locale() }}
      </summary>
      <p class="small">{{ finding().because | inWordsOf: locale() }}</p>
      @if (finding().cure !== '') {
        <p class="small">
          <b>{{ finding().severity === 'fine' ? 'Note:' : 'Cure:' }}</b>
          {{ finding().cure | inWordsOf: locale() }}
        </p>
      }
    </details>
  `,
  styles: `
    summary {
      cursor: pointer;
      font-size: 0.92rem;
    }
    p {
      padding: 0.2rem 0 0 0.9rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindingDetails {
  readonly finding = input.required<Finding>();
  protected readonly locale = inject(PLACE_LOCALE);
}
